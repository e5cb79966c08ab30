# frozen_string_literal: true

module Stairwell
  module Server
    module Models
      # What stands beside a student's pieces: the teacher's own exercises and
      # other work.
      class Work
        def initialize(desk)
          @desk = desk
        end

        # @return [Array<Hash>] what has not ended
        def of(student_id) = @desk[:student_work].where(student_id: student_id, ended_on: nil).order(:id).all

        # @return [Hash]
        def add(student_id, values)
          @desk.add(:student_work, student_id: student_id, **columns(values))
        end

        # @return [void]
        # @raise [Problem] 404
        def change(student_id, id, values)
          changed = @desk[:student_work].where(student_id: student_id, id: id, ended_on: nil).update(columns(values))
          raise Problem.not_found("work of this student") if changed.zero?
        end

        # @return [void]
        def finish(student_id, id) = @desk[:student_work].where(student_id: student_id, id: id, ended_on: nil).update(ended_on: @desk.today)

        # @return [Hash] as screens show it
        def self.shown(row) = row.slice(:id, :kind, :title, :times).merge(minutes: row[:minutes].to_f, one_of: row[:one_of].to_a)

        private

        def columns(values)
          values.slice(:kind, :title, :minutes, :times).merge(one_of: Sequel.pg_array(values.fetch(:one_of, []), :text))
        end
      end
    end
  end
end
