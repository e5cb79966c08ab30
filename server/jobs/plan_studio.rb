# frozen_string_literal: true

require_relative "background"

module Stairwell
  module Server
    module Jobs
      # Plans the week of every student of a studio, one after another, and keeps
      # count in plan_runs. A student who cannot be planned does not stop the rest.
      class PlanStudio < Que::Job
        # @param studio_id [Integer]
        # @param account_id [Integer] who started it
        # @param run_id [Integer]
        def run(studio_id, account_id, run_id)
          ids = at_desk(studio_id, account_id) { |desk| desk[:students].order(:lesson_weekday, :lesson_time, :id).select_map(:id) }
          ids.each { |id| count(studio_id, account_id, run_id, plan(studio_id, account_id, id)) }
          at_desk(studio_id, account_id) { |desk| desk[:plan_runs].where(id: run_id).update(finished_at: Sequel.function(:clock_timestamp)) }
        end

        private

        def at_desk(studio_id, account_id, &) = Jobs.desks.for_studio(studio_id, account_id: account_id, &)

        # @return [Symbol] the counter that goes up
        def plan(studio_id, account_id, student_id)
          at_desk(studio_id, account_id) { |desk| Services::PlanWeek.new(desk).call(desk[:students].first(id: student_id)) }
          :done
        rescue Problem, Error
          :failed
        end

        def count(studio_id, account_id, run_id, counter)
          at_desk(studio_id, account_id) { |desk| desk[:plan_runs].where(id: run_id).where { done + failed < total }.update(counter => Sequel[counter] + 1) }
        end
      end
    end
  end
end
