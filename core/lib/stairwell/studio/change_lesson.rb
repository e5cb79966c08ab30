# frozen_string_literal: true

module Stairwell
  module Studio
    # A single lesson is moved, left out, held by another, put in, or it becomes known who
    # came. Where the week then ends on another day, or a lesson is not held after all, the
    # days that are left are planned anew, and what the teacher changed by hand goes along.
    class ChangeLesson
      # What can be changed of one.
      FIELDS = %i[day time minutes teacher_id left_out why attendance].freeze

      # @param record [Record]
      def initialize(record)
        @record = record
      end

      # @param on [Date] the day it stands on now
      # @param changes [Hash] of {FIELDS}
      # @param seen [Integer] version that was seen, 0 where nothing was changed of it yet
      # @return [Change]
      # @raise [MissingError] where there is none
      # @raise [RefusedError] when it makes no sense
      def call(on:, seen:, **changes)
        found = meant(on, changes) || raise(MissingError, Phrase["missing.lesson"])
        changed = found.with(**changes.slice(*FIELDS))
        check(changed, found)
        follow(changed.with(version: seen))
      end

      # Puts a lesson in, such as one that makes up for another.
      # @param key [String] from the client; the same one twice is one lesson
      # @param said [Hash] day:, time:, minutes:, and what else an {Appointment} holds
      # @return [Change]
      # @raise [RefusedError]
      def put_in(key:, **said)
        return Change.new(record: @record) if @record.appointments.any? { |one| one.key == key }

        added = Appointment.new(minutes: @record.student.lesson_minutes, **said, key: key)
        check(added, nil)
        follow(added)
      end

      # Whoever had a lesson today came, unless somebody said otherwise.
      # @return [Change] of nothing where there was none, or it is known who came
      def came
        found = @record.timetable.on(@record.today)
        return Change.new(record: @record) if found.nil? || found.attendance || !found.held?

        follow(found.with(attendance: :came))
      end

      private

      # Of two on one day the one that was left out is what is to be held after all.
      def meant(on, changes)
        all = @record.timetable.between(on, on)
        (all.find(&:left_out) if changes[:left_out] == false) || @record.timetable.on(on)
      end

      def check(changed, found)
        if !changed.left_out && (found.nil? || found.left_out || changed.day != found.day)
          free!(changed)
        end
        if (changed.day - @record.today).abs > Constants::DAYS_LOOKED_AHEAD
          refuse(:too_far, "day", Phrase["studio.change_lesson.too_far"])
        end
        if changed.attendance && changed.day > @record.today && changed.attendance != :excused
          refuse(:not_yet, "attendance", Phrase["studio.change_lesson.not_yet"])
        end
      end

      # One lesson a day: what is heard and told belongs to a student and a day.
      def free!(changed)
        other =
          @record
            .timetable
            .between(changed.day, changed.day)
            .find { |one| !one.left_out && !one.same?(changed) }
        if other
          refuse(
            :lesson_that_day,
            "day",
            Phrase[
              "studio.change_lesson.lesson_that_day",
              name: @record.student.name,
              day: Phrase.day(changed.day, :full)
            ]
          )
        end
      end

      def refuse(code, field, words) = raise(RefusedError.new(words, code: code, field: field))

      def follow(changed)
        after = @record.with(appointments: @record.timetable.with_changed(changed).changed)
        change = Change.new(record: after, appointments: [changed])
        (held(after) == held(@record)) ? change : planned(change)
      end

      def held(record) =
        record
          .timetable
          .between(record.today, record.today + Constants::DAYS_LOOKED_AHEAD / 7)
          .select(&:held?)
          .map(&:day)

      # Changes by hand belong to a week by its end.
      def planned(change)
        was, now = [@record, change.record].map { |record| record.plan_end(record.first_day) }
        mine = @record.overrides_of(was)
        if was == now || mine.overrides.empty? || @record.overrides_of(now).overrides.any?
          return change.planned
        end

        seen = @record.overrides_of(now)
        moved =
          change.record.with_overrides(
            now,
            seen.with(overrides: mine.overrides, version: seen.version + 1)
          )
        change.with(record: moved, overrides: [now, seen, mine.overrides]).planned
      end
    end
  end
end
