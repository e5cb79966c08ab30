# frozen_string_literal: true

require_relative "background"

module Stairwell
  module Server
    module Jobs
      # Plans the week of every student of a studio, one after another, and keeps
      # count in plan_runs. A student who cannot be planned does not stop the rest.
      class PlanStudio < Que::Job
        self.priority = WAITED_FOR

        # @param studio_id [Integer]
        # @param account_id [Integer] who started it
        # @param run_id [Integer]
        def run(studio_id, account_id, run_id)
          @context = Jobs.contexts.of_studio(studio_id, account_id: account_id)
          @run_id = run_id
          ids =
            @context.read do |tables|
              Repositories::Students
                .at_work(tables)
                .order(:lesson_weekday, :lesson_time, :id)
                .select_map(:id)
            end
          ids.each { |id| count(plan(id)) }
          change { |runs| runs.update(finished_at: Sequel.function(:clock_timestamp)) }
        end

        private

        # @return [Symbol] the counter that goes up
        def plan(student_id)
          Repositories::Changes.new(@context).act(student_id) { |record| Studio.plan(record) }
          :done
        rescue Problem, Error
          :failed
        end

        def count(counter) =
          change do |runs|
            runs.where { done + failed < total }.update(counter => Sequel[counter] + 1)
          end

        def change = @context.write { |tables| yield tables[:plan_runs].where(id: @run_id) }
      end
    end
  end
end
