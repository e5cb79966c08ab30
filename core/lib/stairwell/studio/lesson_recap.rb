# frozen_string_literal: true

module Stairwell
  module Studio
    # The recap of a lesson, from what was heard and the week that follows.
    module LessonRecap
      module_function

      # @param record [Record]
      # @param steps [Array<LessonStep>]
      # @param week [Planning::PlannedWeek] that follows
      # @return [String] in the student's language
      def write(record, steps, week)
        Locales.with(record.student.locale) { letter(record, steps, week) }
      end

      def letter(record, steps, week)
        Recap.write(
          name: record.student.name,
          results: outcomes(steps),
          rows: in_turn(week).map { |row| row(row, week) },
          days: week.days.size,
          short_day: week.rows.any?(&:short_day),
          next_lesson: record.lesson_of(week),
          child: record.student.child?,
          introduced: record.introduced_today
        )
      end

      # In the order in which the week comes to them.
      def in_turn(week) =
        week.rows.sort_by.with_index { |row, at| [week.cells(row).map(&:first).min || 0, at] }

      def outcomes(steps)
        steps
          .select { |one| one.heard && one.heard.result != :not_heard }
          .map do |one|
            Recap::Outcome.new(
              title: heard_title(one.step),
              piece: one.piece.title,
              result: one.heard.result,
              hands: one.step.hands,
              simplification: simplification(one)
            )
          end
      end

      # As one says it: what was put together by its ends, and of a section that is learnt aspect by
      # aspect which of them it was.
      def heard_title(step)
        return Rows::Titles.between(step.with(hands: :both)) if Rows::Places.bridge?(step)

        place = Rows::Titles.place(step)
        return place if step.section.nil? || PLAYED.include?(step.aspect)

        Phrase["recap.aspect", title: place, aspect: Practice.stage_name(step)]
      end

      # What is simply playing.
      PLAYED = %i[notes tempo].freeze
      private_constant :PLAYED

      def simplification(one)
        progress = one.piece.progress
        return unless progress.troubled.any? { |step| step.id == one.step.id }

        chosen = progress.simplified(one.step)
        return if chosen&.form == :none

        forms = Practice::Simplification.forms(one.step, most: progress.most_tempo(one.step))
        (
          forms.find { |form| form.form == chosen&.form && form.bar == chosen&.bar } || forms.first
        )&.words
      end

      # What is once through is no stage of its own.
      def row(row, week)
        cells = week.cells(row)
        items = cells.flat_map(&:last).select { |item| item.is_a?(Planning::PlannedItem) }
        steps = items.select { |item| item.kind == :step }
        Recap::Row.new(
          kind: row.kind,
          title: row.title.is_a?(Phrase::Capital) ? row.title.said : row.title,
          piece: row.piece,
          days: cells.map(&:first),
          stages: steps.map { |item| spoken(item) },
          tempo: steps.filter_map(&:tempo).max,
          one_of: items.flat_map(&:one_of).uniq
        )
      end

      # Its stage as one says it: the last part of its title.
      def spoken(item) = item.title.is_a?(Phrase::List) ? item.title.items[1] : item.title
      private_class_method :letter,
                           :in_turn,
                           :outcomes,
                           :heard_title,
                           :simplification,
                           :row,
                           :spoken
    end
  end
end
