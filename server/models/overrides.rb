# frozen_string_literal: true

module Stairwell
  module Server
    module Models
      # What a teacher decided about the week that ends with a lesson.
      class Overrides
        def initialize(desk)
          @desk = desk
        end

        # @return [Array<Planning::Override>]
        def of(student_id, next_lesson) = row(student_id, next_lesson).then { |row| row ? row[:overrides].to_a.map { |one| override(one) } : [] }

        # @return [Hash] {overrides:, version:} as screens show them
        def shown(student_id, next_lesson)
          row = row(student_id, next_lesson)
          {overrides: row ? row[:overrides].to_a.map(&:to_h) : [], version: row ? row[:version] : 0}
        end

        # @param seen [Integer] version the client saw, 0 where there was none
        # @return [void]
        # @raise [Problem] 409 when it was changed meanwhile
        def save(student_id, next_lesson, overrides, seen:)
          stored = Sequel.pg_jsonb(overrides.map { |one| dump(one) })
          done = if seen.zero?
            @desk.db[:week_overrides].insert_conflict.returning(:version).insert(studio_id: @desk.studio_id, student_id: student_id, next_lesson: next_lesson, overrides: stored).any?
          else
            @desk[:week_overrides].where(student_id: student_id, next_lesson: next_lesson, version: seen).update(overrides: stored, version: seen + 1) == 1
          end
          raise Problem.stale("this week", kept: shown(student_id, next_lesson), sent: overrides.map { |one| dump(one) }) unless done
        end

        # @param data [Hash] with string or symbol keys
        # @return [Planning::Override]
        # @raise [Problem] 422 for a date that does not exist
        def override(data)
          data = data.to_h.transform_keys(&:to_sym)
          Planning::Override.new(
            kind: data[:kind].to_sym, id: data[:id], date: data[:date] && Date.iso8601(data[:date]), repetitions: data[:repetitions],
            minutes: data[:minutes]&.then { |minutes| Rational(minutes.to_s) }, title: data[:title]
          )
        rescue Date::Error
          raise Problem.new(422, "“#{data[:date]}” is no date.", code: "date", field: "date")
        end

        private

        def row(student_id, next_lesson) = @desk[:week_overrides].first(student_id: student_id, next_lesson: next_lesson)

        def dump(one) = one.to_h.compact.merge(kind: one.kind.to_s, date: one.date&.to_s, minutes: one.minutes&.to_f).compact
      end
    end
  end
end
