# frozen_string_literal: true

module Stairwell
  module Studio
    # The week sheet of one student: nothing but what is needed at the piano.
    class Sheet
      attr_reader :record, :week

      # @param record [Record]
      # @param newest [Boolean] the newest plan, begun or not, as it is printed at
      #   the end of a lesson; otherwise the week under way, mended after missed days, on which
      #   nothing comes or goes while today's boxes are tapped
      def initialize(record, newest: false)
        @whole = record
        @record = record = newest ? record : record.without_taps
        @newest = newest
        @week =
          (
            if newest
              PlanWeek.going_on(record, record.weeks.newest)
            else
              PlanWeek.mended(record, under_way)
            end
          )
      end

      # @return [Boolean] whether the lesson is past and no new week was planned: it
      #   was not held, or the teacher has not come to it yet
      def over? = !@newest && !@week.nil? && @week.over?(@record.today)

      # @return [Date, nil]
      def next_lesson = (@record.lesson_of(@week) if @week && !over?)

      # @return [String, nil] when that lesson begins, as on a clock
      def lesson_time = next_lesson && @record.timetable.on(next_lesson)&.time

      # @return [Array<SheetDay>]
      def days = @days ||= planned_days.map { |day| sheet_day(day) }

      # @return [Array<Planning::PlannedRow>] of the week; none where it was planned before there
      #   were rows
      def rows = @week ? @week.rows : []

      # @return [Date, nil] today, or on paper the first day that is not past
      def skip_on = skip_day&.date

      # What to leave out that day when it goes badly.
      # @return [Array<String>] titles
      def skip
        day = skip_day or return []
        return rows_to_skip(day) if rows.any?

        items =
          day.items.map do |one|
            Planning::Item.new(
              id: one.id,
              minutes: one.minutes,
              why: "",
              kind: one.kind,
              begins: one.begins
            )
          end
        titles =
          day.items.to_h do |one|
            [one.id, (one.kind == :more) ? Phrase["studio.sheet.while_there_is_time"] : one.title]
          end
        Planning::Skip.of(items).map { |id| titles.fetch(id) }.uniq
      end

      # Those that apply today; on paper, and on a day without practice, those of the
      # week.
      # @return [Array<Cautions::Caution>]
      def cautions
        all = @week ? @week.days : []
        today = @newest ? [] : all.select { |day| day.date == @record.today }
        CautionsOfDays.new(@record, today.any? ? today : all).to_a
      end

      # How the bars of a step sound, with a finger's walk along them.
      #
      # @param tempo [Integer, nil] beats per minute, where it is not that of the step
      # @return [Array(Roadmap::Playback, Array<Hash>)] see {Roadmap.playback} and
      #   {Roadmap.walk}
      # @raise [MissingError]
      def sound(assignment_id, step_id, tempo: nil)
        piece, standing = @record.step(assignment_id, Planning::More.of(step_id))
        map, step = piece.page.map, standing.step
        [
          Roadmap.playback(
            map,
            tempo: tempo || step.tempo || map.target_tempo,
            spans: step.spans,
            small: step.small_count,
            straight: !step.repeats
          ),
          Roadmap.walk(map, step.spans, straight: !step.repeats)
        ]
      end

      private

      # A week gives way to one that was planned at its lesson and begins tomorrow.
      def under_way
        week, newest = @record.week, @record.weeks.newest
        return newest if week.nil? || week.over?(@record.today)

        if week.with_lesson && week.next_lesson == @record.today &&
             newest.next_lesson > week.next_lesson
          newest
        else
          week
        end
      end

      def planned_days
        days = @week ? @week.days : []
        over? ? [*days, going_on(days)].compact : days
      end

      # Until the new plan comes, what stood last and is not steady goes on.
      # @return [Planning::PlannedDay, nil] for today
      def going_on(days)
        last = days.reverse.find { |day| day.items.any? { |item| open?(item) } }
        last&.with(date: @record.today, items: last.items.select { |item| open?(item) })
      end

      # All but those that are for a short day.
      def rows_to_skip(day) =
        rows.reject(&:short_day).select { |row| day.in_row(row.id).any? }.map(&:title)

      def skip_day =
        planned_days.find { |one| @newest ? one.date >= @record.today : one.date == @record.today }

      def open?(item) = item.step? && %i[open begun].include?(@record.standing(item)&.state)

      def sheet_day(day)
        SheetDay.new(
          date: day.date,
          minutes: day.minutes,
          warm_ups: day.warm_ups,
          others: day.items.reject(&:tapped?),
          # A simplification may be gone since the week was planned.
          items:
            day.tapped.filter_map do |item|
              (standing = @record.standing(item)) && sheet_item(item, standing, day.date)
            end
        )
      end

      def set_aside = @set_aside ||= SetAside.new(@record)

      def sheet_item(item, standing, date)
        step, piece = standing.step, @record.piece(item.assignment_id)
        SheetItem.new(
          item: item,
          step: step,
          title: item.title,
          place: item.place,
          how: Practice.how(step),
          actions: Practice.pictures(step),
          done_when: (step.done if item.step?),
          notes: step.notes,
          where: StepPlace.of(piece.page.map, step, @record.student.note_names),
          set_aside: set_aside.include?(item.assignment_id, item.step_id),
          **Tapped.on(@whole.piece(item.assignment_id), item.step_id, date)
        )
      end
    end
  end
end
