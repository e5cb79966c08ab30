# frozen_string_literal: true

module Stairwell
  module Server
    module Features
      # What of a student can be changed, with the version it was read at.
      module SettingsJson
        PLAIN = %i[
          id
          name
          minutes_a_day
          begin_per_day
          rows_a_week
          lesson_weekday
          hand_order
          hand_span
          has_pedal
          warm_ups
          child
          introduce_first
          note_names
          counting
          email
          locale
          reads
          instrument
          class_name
          version
          teacher_id
          lesson_minutes
        ].freeze

        # @param row [Hash] of a student
        # @return [Hash] see the contract's Settings
        def self.of(row)
          row.slice(*PLAIN).merge(
            practice_days: row[:practice_days].to_a,
            lesson_time: Repositories::Students.time(row[:lesson_time]),
            absent: row[:absent].to_a.map(&:to_h),
            minutes_by_day: row[:minutes_by_day].to_h,
            more_lessons: row[:more_lessons].to_a.map(&:to_h),
            contacts: row[:contacts].to_a.map(&:to_h),
            known: row[:known].to_a
          )
        end
      end
    end
  end
end
