# frozen_string_literal: true

module Stairwell
  module Planning
    # One thing the teacher decided about a week, over the planner's head.
    #
    # - `kind` :on – the item `id` stands on `date`, with so many `repetitions`
    #   or `minutes` where these are said
    # - `kind` :off – it does not stand on `date`, or on no day where that is nil
    # - `kind` :added – a thing of the teacher's own, with `title` and `minutes`
    Override = Stairwell.value(:kind, :id, date: nil, repetitions: nil, minutes: nil, title: nil)

    # What the teacher's hand wrote into a week. The planner keeps all of it and
    # fills the rest around it.
    class Overrides
      # @param overrides [Array<Override>]
      def initialize(overrides = [])
        @overrides = overrides
        @on = overrides.select { |one| one.kind == :on }.group_by(&:date)
        @off = overrides.select { |one| one.kind == :off }.to_set { |one| [one.id, one.date] }
      end

      # @return [Boolean]
      def empty? = @overrides.empty?

      # @param date [Date]
      # @return [Array<Override>] what is to stand on the day
      def on(date) = @on.fetch(date, [])

      # @param date [Date]
      # @return [Override, nil] that puts an item on the day
      def override(id, date) = on(date).find { |one| one.id == id }

      # @return [Boolean] whether an item may not stand on the day
      def off?(id, date) = @off.include?([id, nil]) || @off.include?([id, date])

      # @return [Boolean] whether an item is left out of the whole week
      def out?(id) = @off.include?([id, nil])

      # @return [Boolean] whether it was taken off any day
      def touched?(id) = @off.any? { |other, _| other == id }

      # @param date [Date]
      # @return [Integer] days after that date on which an item is put
      def later(id, date)
        @later ||= @on.flat_map { |day, all| all.map { |one| [one.id, day] } }.group_by(&:first)
        @later.fetch(id, []).count { |_, day| day > date }
      end

      # @param date [Date]
      # @return [Array<Override>] the teacher's own things of the day
      def extras(date) = @overrides.select { |one| one.kind == :added && one.date == date }

      # @param dates [Array<Date>] the days that are planned
      # @param ids [Set<String>] what can be planned
      # @return [Array<Array(Override, String)>] overrides that lead nowhere, with the
      #   reason; what lies before the first day is over and not one of them
      def unmet(dates, ids)
        @overrides.reject { |one| one.date && dates.any? && one.date < dates.first }.filter_map do |one|
          if one.date && !dates.include?(one.date)
            [one, Phrase["planning.overrides.no_practice_day", day: Phrase.day(one.date)]]
          elsif one.kind != :added && !ids.include?(one.id)
            [one, Phrase["planning.overrides.it_is_not_among_this_student"]]
          end
        end
      end
    end

    # Says what a thing breaks that the teacher put on a day.
    class Breaks
      # @param ledger [Ledger]
      # @param by_id [Hash{String => Task}]
      # @param practice [Practice]
      def initialize(ledger, by_id, practice)
        @ledger = ledger
        @by_id = by_id
        @practice = practice
      end

      # @param task [Task]
      # @param put [Array<Task>] all the teacher put on the same day
      # @param over [Rational] minutes by which the day is too long
      # @return [String, nil]
      def of(task, put:, over:)
        said = []
        said << Phrase["planning.overrides.not_introduced_yet"] unless task.introduced
        said << too_soon(task, put.map(&:id))
        said << too_many(task, put)
        said << Phrase["planning.overrides.the_day_is_too_long", minutes: Units.minutes(over)] if over.positive?
        said.compact.then { |all| Phrase.list(all, by: :semicolon) if all.any? }
      end

      private

      def too_many(task, put)
        starts = put.take(put.index(task) + 1).count { |one| !@ledger.begun?(one.id) }
        Phrase["planning.overrides.new_steps_on_one_day_are", count: starts, most: @practice.begin_per_day] if starts > @practice.begin_per_day && !@ledger.begun?(task.id)
      end

      def too_soon(task, beside)
        open = task.needs.reject { |id| @ledger.over?(id) } | task.after.reject { |id| @ledger.over?(id) || beside.include?(id) }
        return if open.empty?

        Phrase["planning.overrides.before_done", names: Phrase.some(open.map { |id| @by_id[id].name }), count: open.size]
      end
    end
  end
end
