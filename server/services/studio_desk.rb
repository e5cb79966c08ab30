# frozen_string_literal: true

module Stairwell
  module Server
    module Services
      # What holds for the whole studio: holidays, and planning everyone's week.
      class StudioDesk
        def initialize(desk)
          @desk = desk
        end

        # @return [Hash] {holidays:, run:}
        def show
          row = @desk.db[:studios].first(id: @desk.studio_id)
          {holidays: row[:holidays].to_a.map(&:to_h), run: newest_run}
        end

        # @param holidays [Array<Hash>] {from:, to:}
        # @return [Hash] as {#show}; everyone's week is planned again
        def close(holidays)
          checked = Models::Stretches.checked(holidays, field: "holidays")
          @desk.db[:studios].where(id: @desk.studio_id).update(holidays: Sequel.pg_jsonb(checked))
          plan_everyone
        end

        # @return [Hash] as {#show}
        def plan_everyone
          run = @desk.add(:plan_runs, started_by: @desk.account_id, total: @desk[:students].count)
          Jobs::PlanStudio.enqueue(@desk.studio_id, @desk.account_id, run[:id])
          show
        end

        private

        def newest_run
          row = @desk[:plan_runs].order(Sequel.desc(:id)).first
          row&.slice(:total, :done, :failed)&.merge(finished: !row[:finished_at].nil?)
        end
      end
    end
  end
end
