# frozen_string_literal: true

module Stairwell
  module Server
    module Repositories
      # Students who are to be erased a day after somebody asked for it, unless an owner stops it.
      class ErasureRequests
        # @param tables [Tables]
        def initialize(tables)
          @tables = tables
        end

        # @param student_id [Integer]
        # @return [Hash, nil] :due_at and :asked_by of what was asked and not stopped
        def pending(student_id) = waiting(student_id).first

        # Asks, and lays the job that does it; asked twice it is one.
        # @param student_id [Integer]
        # @param by [Integer, nil] account; nil where the end of keeping asks
        # @return [Hash] the row
        def add(student_id, by:)
          pending(student_id) ||
            laid(@tables.add(:erasure_requests, student_id: student_id, asked_by: by))
        end

        # @return [Boolean] whether there was one
        def stop(student_id) =
          waiting(student_id).update(stopped_at: Sequel.function(:clock_timestamp)).positive?

        private

        def waiting(student_id) =
          @tables[:erasure_requests].where(student_id: student_id, stopped_at: nil)

        def laid(row)
          Jobs::EraseStudent.enqueue(
            @tables.studio_id,
            row[:student_id],
            job_options: {
              run_at: row[:due_at]
            }
          )
          row
        end
      end
    end
  end
end
