# frozen_string_literal: true

module Stairwell
  module Server
    module Features
      # Who stands in for whom.
      module CoverJson
        # @param row [Hash]
        # @return [Hash] see the contract's Cover
        def self.of(row) =
          row.slice(:id, :away_id, :away, :cover_id, :cover).merge(
            first_day: row[:first_day].to_s,
            last_day: row[:last_day].to_s
          )
      end
    end
  end
end
