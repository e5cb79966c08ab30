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
        parts = [(day == 1 && !task.begun?) ? "new" : "good day #{day} of #{task.good_days}"]
        later = chain - (task.good_days - day + 1)
        parts << "#{days(later)} of work wait for it" if later.positive?
        parts << "a join, practised as a thing of its own" if task.join
        parts << "a hard place, so first and more often" if task.hard && !task.join
        parts.join("; ")
      end

      # @param review [Review]
      # @param date [Date]
      # @return [String]
      def due(review, date)
        late = (date - review.due).to_i
        "to keep it: due #{if late.zero?
                             "today"
                           else
                             "for #{late} #{(late == 1) ? "day" : "days"}"
                           end}"
      end

      # @return [String]
      def waiting(ids)
        names = ids.map { |id| @by_id[id].name }
        shown = names.first(2).join(" and ")
        shown = "#{names.first}, #{names[1]} and #{names.size - 2} more" if names.size > 2
        "waits until #{shown} #{(names.size == 1) ? "has" : "have"} all #{(names.size == 1) ? "its" : "their"} good days"
      end

      # @return [String]
      def never(task, blocker)
        return (task == blocker) ? "not taught yet; open it at a lesson" : "waits for #{blocker.name}, which is not taught yet" unless blocker.taught

        need = minutes(blocker.minutes)
        return "takes #{need} at a time, but a day has #{minutes(@practice.most)}. Give the day more minutes, or make the section smaller" if task == blocker

        "waits for #{blocker.name}, which takes #{need} and never fits into a day of #{minutes(@practice.most)}"
      end

      # @return [String]
      def crowded(task, dates)
        return "there is no practice day before the next lesson" if dates.empty?
        return "the days are full with steps that more work waits for" if task.begun?

        "no room to begin it: at most #{@practice.begin_per_day} new steps a day, #{minutes(@practice.most)} a day"
      end

      private

      def days(count) = (count == 1) ? "1 good day" : "#{count} good days"

      def minutes(value) = "#{value.to_f.to_s.delete_suffix(".0")} min"
    end
  end
end
