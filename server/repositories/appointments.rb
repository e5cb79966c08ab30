# frozen_string_literal: true

module Stairwell
  module Server
    module Repositories
      # Lessons that are not as the weekly times give them, or of which something is known.
      class Appointments
        # @param tables [Tables]
        def initialize(tables)
          @tables = tables
        end

        # @param student_ids [Array<Integer>]
        # @param since [Date] the first day that is asked for
        # @return [Array<Hash>]
        def self.rows(tables, student_ids, since)
          tables.statement(:appointments, Tables.ids(student_ids), since) do |all, students, first|
            all[:appointments]
              .where(student_id: Tables.any(students))
              .where((Sequel[:day] >= first) | (Sequel[:planned_on] >= first))
              .order(:day, :id)
          end
        end

        # @param row [Hash]
        # @return [Studio::Appointment]
        def self.value(row)
          Studio::Appointment.new(
            **row.slice(
              :id,
              :planned_on,
              :day,
              :minutes,
              :teacher_id,
              :left_out,
              :why,
              :makes_up_for,
              :version,
              :key
            ),
            time: Students.time(row[:time]),
            attendance: row[:attendance]&.to_sym
          )
        end

        # @param one [Studio::Appointment] with the version that was seen
        # @param by [Integer] account
        # @raise [Problem] 409 when someone else was quicker, 422 for who teaches nobody
        def keep(student_id, one, by:)
          Members.new(@tables).teaches!(one.teacher_id) if one.teacher_id
          key = {
            student_id: student_id,
            **(one.planned_on ? { planned_on: one.planned_on } : { key: one.key })
          }
          values =
            one
              .to_h
              .slice(:day, :time, :minutes, :teacher_id, :left_out, :why, :makes_up_for)
              .merge(attendance: one.attendance&.to_s)
          kept =
            @tables.revise_or_add(
              :appointments,
              key,
              seen: one.version,
              changed_by: by,
              changed_at: Sequel.function(:clock_timestamp),
              **values
            )
          raise changed_meanwhile unless kept
        rescue Sequel::UniqueConstraintViolation
          raise changed_meanwhile
        end

        private

        def changed_meanwhile =
          Problem.new(
            409,
            Phrase["server.appointments.changed_meanwhile"],
            code: "changed_meanwhile"
          )
      end
    end
  end
end
