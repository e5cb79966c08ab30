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
          lines: lines(record, week),
          dates: week.dates,
          next_lesson: record.lesson_of(week),
          child: record.student.child?,
          introduced: record.introduced_today
        )
      end

      def outcomes(steps)
        steps
          .select { |one| one.heard && one.heard.result != :not_heard }
          .map do |one|
            Recap::Outcome.new(
              title: one.step.title,
              result: one.heard.result,
              simplification: simplification(one)
            )
          end
      end

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

      # One line for each thing of the week, with its days: warm-ups first.
      def lines(record, week)
        several = week.days.flat_map { |day| day.items.filter_map(&:piece) }.uniq.size > 1
        warm_ups(week) + items(week).map { |item, dates| line(item, dates, several, record) }
      end

      def warm_ups(week)
        week
          .days
          .flat_map { |day| day.warm_ups.map { |one| [one.title, day.date] } }
          .group_by(&:first)
          .map do |title, all|
            Recap::Line.new(title: title, kind: :warm_up, dates: all.map(&:last))
          end
      end

      # @return [Array<Array(PlannedItem, Array<Date>)>] without what is only more of a step of
      #   the week
      def items(week)
        steps = week.days.flat_map(&:steps).map(&:key)
        week
          .days
          .flat_map { |day| day.items.map { |item| [item, day.date] } }
          .group_by { |item, _| item.id }
          .values
          .map { |all| [all.first.first, all.map(&:last)] }
          .reject do |item, _|
            item.kind == :more && (!item.tapped? || steps.include?([item.assignment_id, item.of]))
          end
      end

      def line(item, dates, several, record)
        target = record.pieces.find { |one| one.id == item.assignment_id }&.target_tempo
        Recap::Line.new(
          title: item.title,
          kind: item.kind,
          dates: dates,
          place: item.place,
          repetitions: item.repetitions || 1,
          tempo: item.tempo,
          share: (Rational(item.tempo, target) if item.tempo && target),
          piece: (item.piece if several),
          one_of: item.one_of
        )
      end
      private_class_method :letter, :outcomes, :simplification, :lines, :warm_ups, :items, :line
    end
  end
end
