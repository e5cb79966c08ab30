# frozen_string_literal: true

module Stairwell
  module Server
    module Models
      # What a teacher decided about the week that ends with a lesson.
      class Wishes
        def initialize(desk)
          @desk = desk
        end

        # @return [Array<Planning::Wish>]
        def of(student_id, next_lesson) = row(student_id, next_lesson).then { |row| row ? row[:wishes].to_a.map { |one| wish(one) } : [] }

        # @return [Hash] {wishes:, version:} as screens show them
        def shown(student_id, next_lesson)
          row = row(student_id, next_lesson)
          {wishes: row ? row[:wishes].to_a.map(&:to_h) : [], version: row ? row[:version] : 0}
        end

        # @param seen [Integer] version the client saw, 0 where there was none
        # @return [void]
        # @raise [Problem] 409 when it was changed meanwhile
        def save(student_id, next_lesson, wishes, seen:)
          stored = Sequel.pg_jsonb(wishes.map { |one| dump(one) })
          done = if seen.zero?
            @desk.db[:week_wishes].insert_conflict.returning(:version).insert(studio_id: @desk.studio_id, student_id: student_id, next_lesson: next_lesson, wishes: stored).any?
          else
            @desk[:week_wishes].where(student_id: student_id, next_lesson: next_lesson, version: seen).update(wishes: stored, version: seen + 1) == 1
          end
          raise Problem.stale("this week", kept: shown(student_id, next_lesson), sent: wishes.map { |one| dump(one) }) unless done
        end

        # @param data [Hash] with string or symbol keys
        # @return [Planning::Wish]
        # @raise [Problem] 422 for a date that does not exist
        def wish(data)
          data = data.to_h.transform_keys(&:to_sym)
          Planning::Wish.new(
            kind: data[:kind].to_sym, id: data[:id], date: data[:date] && Date.iso8601(data[:date]), repetitions: data[:repetitions],
            minutes: data[:minutes]&.then { |minutes| Rational(minutes.to_s) }, title: data[:title]
          )
        rescue Date::Error
          raise Problem.new(422, "“#{data[:date]}” is no date.", code: "date", field: "date")
        end

        private

        def row(student_id, next_lesson) = @desk[:week_wishes].first(student_id: student_id, next_lesson: next_lesson)

        def dump(one) = one.to_h.compact.merge(kind: one.kind.to_s, date: one.date&.to_s, minutes: one.minutes&.to_f).compact
      end
    end
  end
end
