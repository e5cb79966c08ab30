# frozen_string_literal: true

module Stairwell
  module Planning
    # Says in words why a step stands where it stands, or nowhere.
    class Reasons
      def initialize(by_id, practice)
        @by_id = by_id
        @practice = practice
      end

      # @return [String]
      def standing(task, day:, chain:)
        parts = [standing_day(task, day)]
        later = chain - (task.good_days - day + 1)
        parts << task.because if task.because
        parts << "#{days(later)} of later steps #{(later == 1) ? "depends" : "depend"} on it" if later.positive?
        parts << "a join, practised as a thing of its own" if task.join
        parts << "a hard place, so first and more often" if task.hard && !task.join
        parts.join("; ")
      end

      # @param review [Review]
      # @param date [Date]
      # @return [String]
      def due(review, date)
        late = (date - review.due).to_i
        "to keep it: due #{late.zero? ? "today" : "#{many(late)} ago"}"
      end

      # @param ledger [Ledger] as the week leaves it
      # @return [String]
      def waiting(ids, ledger)
        names = ids.map { |id| @by_id[id].name }
        shown = names.first(2).join(" and ")
        shown = "#{names.first}, #{names[1]} and #{names.size - 2} more" if names.size > 2
        left = ids.map { |id| ledger.left(id) }.max
        "waits until #{shown} #{(names.size == 1) ? "has" : "have"} all #{(names.size == 1) ? "its" : "their"} good days" \
          "#{"; #{days(left)} to go after this week" if left.positive?}"
      end

      # @return [String]
      def never(task, blocker)
        return (task == blocker) ? "not introduced yet; open it at a lesson" : "waits for #{blocker.name}, which is not introduced yet" unless blocker.introduced

        need = minutes(blocker.minutes)
        return "takes #{need} at a time, but a day has #{minutes(@practice.most)}. Give the day more minutes, or make the section smaller" if task == blocker

        "waits for #{blocker.name}, which takes #{need} and never fits into a day of #{minutes(@practice.most)}"
      end

      # @param gap [Gaps::Gap, nil] the day it came nearest to
      # @return [String] why there was no room, and what would make it fit
      def crowded(task, dates, gap)
        return "there is no practice day before the next lesson" if dates.empty?
        return "comes the week after: what it waits for ends with this week" unless gap
        return "#{@practice.begin_per_day} steps begin each day already; with one more new step a day it would fit" if gap.full && gap.lacking.zero?

        more = "#{minutes(gap.lacking)} more on #{gap.date.strftime("%A")}"
        return "#{@practice.begin_per_day} steps begin each day already and the days are full; one more new step a day and #{more} would make it fit" if gap.full

        "no room: takes #{minutes(task.minutes)}; #{more} would make it fit"
      end

      private

      def standing_day(task, day)
        return "once more, all its good days are there" if day > task.good_days

        (day == 1 && !task.begun?) ? "new" : "good day #{day} of #{task.good_days}"
      end

      def many(days) = "#{days} #{(days == 1) ? "day" : "days"}"

      def days(count) = (count == 1) ? "1 good day" : "#{count} good days"

      def minutes(value) = Units.minutes(value)
    end
  end
end
