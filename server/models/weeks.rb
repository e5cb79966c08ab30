# frozen_string_literal: true

module Stairwell
  module Server
    module Models
      # Weeks as they were planned. Only added to: the newest row that has begun
      # is the week under way.
      class Weeks
        def initialize(desk)
          @desk = desk
        end

        # @param student_ids [Array<Integer>]
        # @return [Hash{Integer => Hash}] by student: the week under way
        def under_way(student_ids)
          @desk[:week_plans].where(student_id: student_ids).where(Sequel[:starts] <= @desk.today).distinct(:student_id)
            .order(:student_id, Sequel.desc(:starts), Sequel.desc(:id)).to_h { |row| [row[:student_id], row] }
        end

        # @return [Hash, nil] the newest plan, begun or not
        def newest(student_id) = @desk[:week_plans].where(student_id: student_id).order(Sequel.desc(:starts), Sequel.desc(:id)).first

        # @param plan [Hash] JSON-ready
        # @return [Hash]
        def add(student_id, starts, next_lesson, plan)
          @desk.add(:week_plans, student_id: student_id, starts: starts, next_lesson: next_lesson, plan: Sequel.pg_jsonb(plan))
        end
      end
    end
  end
end
