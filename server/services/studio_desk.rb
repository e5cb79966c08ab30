# frozen_string_literal: true

module Stairwell
  module Server
    module Services
      # What holds for the whole studio: holidays, words, a caution of its own; and
      # planning everyone's week.
      class StudioDesk
        def initialize(desk)
          @desk = desk
        end

        # @return [Hash] {holidays:, terms:, caution:, run:}
        def show
          row = @desk.db[:studios].first(id: @desk.studio_id)
          {holidays: row[:holidays].to_a.map(&:to_h), terms: row[:terms], caution: row[:caution], run: newest_run}
        end

        # @param values [Hash] of :holidays (stretches {from:, to:}), :terms, :caution
        #   (nil for none)
        # @return [Hash] as {#show}; other holidays plan everyone's week again
        # @raise [Problem] 422 for a stretch that is none
        def change(values)
          changed = values.slice(:terms)
          changed[:holidays] = Sequel.pg_jsonb(Models::Stretches.checked(values[:holidays], field: "holidays")) if values[:holidays]
          changed[:caution] = values[:caution].to_s.strip.then { |text| text unless text.empty? } if values.key?(:caution)
          @desk.db[:studios].where(id: @desk.studio_id).update(changed) if changed.any?
          values[:holidays] ? plan_everyone : show
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
