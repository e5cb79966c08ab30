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
        parts << Phrase["planning.reasons.later_steps_depend", count: later] if later.positive?
        parts << Phrase["planning.reasons.a_join_practised_as_a_thing"] if task.join
        parts << Phrase["planning.reasons.a_hard_place_so_first_and"] if task.hard && !task.join
        Phrase.list(parts, by: :semicolon)
      end

      # @param why [String] it stands there
      # @param task [Task] as it stands there, with fewer repetitions than it asks for
      # @return [String]
      def fewer(why, task)
        said =
          (
            if task.parts.any?
              Phrase["planning.reasons.sitting_shorter"]
            else
              Phrase[
                "planning.reasons.short_day",
                count: task.repetitions,
                asked: @by_id[task.id].repetitions
              ]
            end
          )
        Phrase.list([why, said], by: :semicolon)
      end

      # @param review [Review]
      # @param date [Date]
      # @return [String]
      def due(review, date)
        late = (date - review.due).to_i
        if late.zero?
          Phrase["planning.reasons.due_today"]
        else
          Phrase["planning.reasons.due_ago", count: late]
        end
      end

      # @param ledger [Ledger] as the week leaves it
      # @return [String]
      def waiting(ids, ledger)
        names = ids.map { |id| @by_id[id].name }
        left = ids.map { |id| ledger.left(id) }.max
        waits = Phrase["planning.reasons.waits_until", names: Phrase.some(names), count: names.size]
        if left.positive?
          Phrase.list([waits, Phrase["planning.reasons.to_go", count: left]], by: :semicolon)
        else
          waits
        end
      end

      # @return [String]
      def never(task, blocker)
        unless blocker.introduced
          return(
            (
              if task == blocker
                Phrase["planning.reasons.not_introduced_yet_open_it_at"]
              else
                Phrase["planning.reasons.waits_for_which_is_not_introduced", blocker: blocker.name]
              end
            )
          )
        end

        need = minutes(@practice.least(blocker).longest)
        if task == blocker
          return(
            Phrase[
              "planning.reasons.takes_at_a_time_but_a",
              need: need,
              minutes: minutes(@practice.most)
            ]
          )
        end

        Phrase[
          "planning.reasons.waits_for_which_takes_and_never",
          blocker: blocker.name,
          need: need,
          minutes: minutes(@practice.most)
        ]
      end

      # @param gap [Gaps::Gap, nil] the day it came nearest to
      # @return [String] why there was no room, and what would make it fit
      def crowded(dates, gap)
        return Phrase["planning.reasons.there_is_no_practice_day_before"] if dates.empty?
        return Phrase["planning.reasons.comes_the_week_after_what_it"] unless gap
        if gap.full && gap.lacking.zero?
          return(
            Phrase[
              "planning.reasons.steps_begin_each_day_already_with",
              count: @practice.begin_per_day
            ]
          )
        end

        return Phrase["planning.reasons.sooner_so"] if gap.lacking.zero?

        more =
          Phrase[
            "planning.reasons.more_on",
            minutes: minutes(gap.lacking),
            day: Phrase.day(gap.date)
          ]
        if gap.full
          return(
            Phrase[
              "planning.reasons.steps_begin_each_day_already_and",
              count: @practice.begin_per_day,
              more: more
            ]
          )
        end

        Phrase[
          "planning.reasons.no_room_takes_would_make_it",
          minutes: minutes(gap.minutes),
          more: more
        ]
      end

      private

      def standing_day(task, day)
        return Phrase["planning.reasons.once_more_all_its_good_days"] if day > task.good_days

        if day == 1 && !task.begun?
          return Phrase[task.turn ? "planning.reasons.in_its_turn" : "planning.reasons.new"]
        end

        Phrase["planning.reasons.good_day_of", day: day, good_days: task.good_days]
      end

      def minutes(value) = Units.minutes(value)
    end
  end
end
