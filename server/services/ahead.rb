# frozen_string_literal: true

module Stairwell
  module Server
    module Services
      # Looks ahead for one student: when each piece will be ready as the student
      # really practises, and what would help where that is too late.
      class Ahead
        # Weeks of practice that say how a student practises now. Own choice.
        WEEKS = 6

        # @param desk [Desk]
        # @param student [Hash] row
        # @param given [Array<Models::Assignments::Given>]
        def initialize(desk, student, given = Models::Assignments.new(desk).of_student(student[:id]))
          @desk = desk
          @student = student
          @given = given
          @load = Workload.new(desk, student, given: given)
        end

        # @return [Workload] what was looked at
        attr_reader :load

        # @return [Date]
        def next_lesson = @load.next_lesson

        # @return [Rational] the student's pace; 1 is average
        def pace = Progress::Pace.of(results)

        # @param options [Boolean] whether to look for what would help
        # @return [Hash{Integer => Hash}] by assignment: :planned, :middle,
        #   :cautious, :due_on, :late, :options
        def outlooks(options: true)
          @with_options = options
          return {} if @load.tasks.empty?

          found = Planning.forecasts(**@load.plan, group: Workload::GROUP, adherence: adherence, known: results.size, seed: @student[:id])
          @given.to_h { |one| [one.row[:id], shown(one, found.fetch(one.row[:id]))] }
        end

        # @return [Rational] share of planned days that were practised lately
        def adherence
          since = @desk.today - 7 * WEEKS
          plans = @desk[:week_plans].where(student_id: @student[:id]).where(Sequel[:next_lesson] > since).order(:id).select_map(:plan)
          planned = plans.flat_map { |plan| plan["days"].to_a }.select { |day| day["items"].any? }.map { |day| Date.parse(day["date"]) }
          practised = @desk[:practice_marks].where(student_id: @student[:id]).where(Sequel[:day] >= since).distinct.select_map(:day)
          Progress::Pace.adherence(planned.select { |date| date < @desk.today }, practised)
        end

        # @param change [String] of an option
        # @param assignment_id [Integer]
        # @return [void]
        # @raise [Problem] 422 when it helps no more
        def take(change, assignment_id)
          given = @given.find { |one| one.row[:id] == assignment_id } || raise(Problem.not_found("piece of this student"))
          raise Problem.new(422, "This does not make “#{given.title}” ready sooner any more. Look at the options as they are now.", code: "no_option") unless options(given).any? { |one| one.change == change }
          return practise(change) if change.match?(/\A(day|minutes)_\d+\z/)

          row = changed_row(given, change)
          @desk[:assignments].where(id: assignment_id).update(
            target_tempo: row[:target_tempo], choices: Sequel.pg_jsonb(row[:choices]), steps: Sequel.pg_jsonb(steps(row).map(&:to_data))
          )
        end

        private

        def results = @results ||= @given.flat_map { |one| one.progress.days_taken }

        def shown(given, outlook)
          due = given.row[:due_on]
          late = !due.nil? && (outlook.cautious.nil? || outlook.cautious > due)
          {
            planned: outlook.planned&.to_s, middle: outlook.middle&.to_s, cautious: outlook.cautious&.to_s, due_on: due&.to_s, late: late,
            options: (late && @with_options) ? options(given).map { |one| {change: one.change, words: one.words, date: one.date.to_s, days_sooner: one.days_sooner} } : []
          }
        end

        # Of one piece, as if the others were not there: what it can gain.
        def options(given)
          own = given.progress.tasks
          without = Planning::Options::WORDS.keys.filter_map { |key|
            changed = steps(changed_row(given, key.to_s))
            [key, given.progress.with_steps(changed).tasks] if changed
          }.to_h
          Planning.options(**@load.plan, tasks: own, without: without)
        end

        # The assignment with one choice changed.
        def changed_row(given, change)
          choices = given.row[:choices].to_hash
          case change
          when "slower_tempo" then given.row.merge(target_tempo: (given.row[:target_tempo] * 9 / 10).clamp(20, 400), choices: {"learnt_at" => given.row[:target_tempo]}.merge(choices))
          when "no_pedal" then given.row.merge(choices: choices.merge("pedal" => "none"))
          when "fewer_sections" then given.row.merge(choices: choices.merge("without" => [*choices["without"], last_section(given.row)].compact))
          when "no_memory" then given.row.merge(choices: choices.merge("memory" => false))
          else given.row.merge(choices: choices)
          end
        end

        # @return [Array<Practice::Step>, nil] nil where nothing is left to learn
        def steps(row)
          Practice.steps(Giving.page(page(row), row[:choices]), routine: Models::Routines.new(@desk).find(row[:routine]), choices: Giving.choices(row))
        rescue ContradictionError
          nil
        end

        # As the piece is for this student now.
        def page(row)
          @pages ||= {}
          @pages[row[:piece_id]] ||= Workbench.new(@desk, row[:piece_id], @student[:id].to_s).map
        end

        # The last of those that are not left out yet.
        def last_section(row) = Giving.page(page(row), row[:choices]).sections.last&.label

        def more_by_day(minutes)
          Sequel.pg_jsonb(@student[:minutes_by_day].to_h.transform_values { |each| [each + minutes, 240].min })
        end

        def practise(change)
          kind, number = change.split("_")
          if kind == "day"
            @desk[:students].where(id: @student[:id]).update(
              practice_days: Sequel.pg_array((@student[:practice_days].to_a | [number.to_i]).sort, :integer), version: Sequel[:version] + 1
            )
          else
            @desk[:students].where(id: @student[:id]).update(minutes_a_day: Sequel.function(:least, Sequel[:minutes_a_day] + number.to_i, 240), minutes_by_day: more_by_day(number.to_i), version: Sequel[:version] + 1)
          end
        end
      end
    end
  end
end
