# frozen_string_literal: true

module Stairwell
  module Studio
    # A result is heard at a lesson: it is kept, a place that did not go becomes a
    # spot on the student's own page, and the week that follows is planned.
    class Hear
      # What can be said beside a result.
      DETAILS = %i[cause bar stumbles tempo note].freeze

      # @param record [Record]
      def initialize(record)
        @record = record
      end

      # @param result [Symbol] of {Progress::RESULTS}
      # @param key [String] from the client; the same one twice counts once
      # @param day [Date, nil] of a past lesson, whose result is corrected
      # @param said [Hash] of {DETAILS}
      # @return [Change] told: what changed in the week, in words
      # @raise [MissingError] for a step the student does not have, a day without a lesson
      def call(assignment_id:, step_id:, result:, key:, day: nil, **said)
        return Change.new(record: @record, told: []) if @record.known_keys.include?(key)

        piece, = @record.step(assignment_id, step_id)
        @day = lesson_on(day)
        details = said.slice(*DETAILS)
        row = {
          key: key,
          assignment_id: assignment_id,
          step_id: step_id,
          day: @day,
          result: result.to_s,
          **details
        }
        changed =
          Change.new(record: after(piece, step_id, result, key, details), added: { results: [row] })
        changed = Spot.mark(changed, assignment_id, details[:bar]) if details[:bar] &&
          spot?(assignment_id, details[:bar], result)
        follow(changed.at_held_tempos)
      end

      private

      def lesson_on(day)
        return @record.today if day.nil? || day == @record.today
        unless day < @record.today && @record.lessons.include?(day)
          raise MissingError, Phrase["missing.lesson"]
        end

        day
      end

      def after(piece, step_id, result, key, details)
        event =
          Progress::LessonResult.new(
            step_id: step_id,
            date: @day,
            result: result,
            at: @record.moment,
            key: key,
            tempo: details[:tempo]
          )
        heard =
          (
            if @day == @record.today
              { [piece.id, step_id] => HeardToday.new(result: result, **details) }
            else
              {}
            end
          )
        stumbled =
          if details[:bar]
            {
              [piece.id, details[:bar]] =>
                @record.stumbled.fetch([piece.id, details[:bar]], Set[]) |
                  (stumbles?(result) ? [@day] : [])
            }
          else
            {}
          end
        @record.with_piece(piece.after(event)).with(
          heard_today: @record.heard_today.merge(heard),
          stumbled: @record.stumbled.merge(stumbled),
          lessons: @record.lessons | [@day],
          known_keys: @record.known_keys | [key]
        )
      end

      def stumbles?(result) = %i[not_yet shaky].include?(result)

      # What did not go at all, or was shaky at two lessons.
      def spot?(assignment_id, bar, result)
        result == :not_yet ||
          (
            result == :shaky &&
              (@record.stumbled.fetch([assignment_id, bar], Set[]) | [@day]).size >=
                Constants::SHAKY_LESSONS
          )
      end

      def follow(changed)
        tomorrow = @record.today + 1
        planned = changed.planned(from: tomorrow)
        planned.with(
          told: [
            held(planned.record),
            *WeekChange.words(PlanWeek.ahead(@record, from: tomorrow), planned.week.rest(tomorrow))
          ].compact
        )
      end

      # What had begun or was done, and rests on what did not go.
      # @return [Phrase, nil]
      def held(record)
        before, after =
          [@record, record].map do |one|
            one.pieces.flat_map do |piece|
              piece
                .progress
                .standings
                .values
                .select(&:held?)
                .map { |standing| [piece.id, standing.step.id, standing.step.title] }
            end
          end
        titles = (after - before).map(&:last)
        Phrase["studio.hear.held", steps: Phrase.some(titles), count: titles.size] if titles.any?
      end
    end
  end
end
