# frozen_string_literal: true

module Stairwell
  module Server
    module Repositories
      # What was learnt of a studio's students, which dates follow from. What is learnt today takes
      # effect tomorrow, so that all day every page says the same.
      class Learnt
        # @param studio [Hash] row
        # @param today [Date]
        # @return [Hash{Symbol => Hash}] :seen and :promises as they hold today
        def self.of(studio, today)
          return studio.slice(:seen, :promises) unless studio[:learnt_on]&.<(today)

          studio[:learnt].to_h.transform_keys(&:to_sym).slice(:seen, :promises)
        end

        # @param tables [Tables]
        def initialize(tables)
          @tables = tables
        end

        # @param learnt [Hash{Symbol => Hash}] :seen and :promises
        # @param today [Date]
        # @return [void]
        def keep(learnt, today)
          over = Sequel[:learnt_on] < today
          held =
            %i[seen promises].to_h do |name|
              taken = Sequel.lit("coalesce(learnt -> ?, ?)", name.to_s, Sequel[name])
              [name, Sequel.case({ over => taken }, Sequel[name])]
            end
          @tables.db[:studios].where(id: @tables.studio_id).update(
            learnt: Sequel.pg_jsonb(learnt),
            learnt_on: today,
            **held
          )
        end
      end
    end
  end
end
