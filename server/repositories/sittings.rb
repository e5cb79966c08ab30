# frozen_string_literal: true

module Stairwell
  module Server
    module Repositories
      # Groups revisions by who made them and when.
      module Sittings
        # @param revisions [Sequel::Dataset] with revision, made_by, made_at
        # @return [Array<Hash>] the last revision of each sitting, newest first: :revision,
        #   :before (the sitting before), :by, :made_at
        def self.of(revisions)
          next_by, next_at =
            %i[made_by made_at].map do |column|
              Sequel.function(:lead, column).over(order: :revision)
            end
          rows =
            revisions.select(
              :revision,
              :made_by,
              :made_at,
              next_by.as(:next_by),
              next_at.as(:next_at)
            )
          ended =
            rows.from_self.where(
              Sequel.lit(
                "next_by IS DISTINCT FROM made_by OR next_at > made_at + ? * interval '1 minute'",
                Limits::PAUSE
              )
            )
          found =
            ended
              .join(:accounts, id: :made_by)
              .select(:revision, :made_at, Sequel[:accounts][:name].as(:by))
              .order(:revision)
              .all
          found
            .each_with_index { |row, at| row[:before] = at.zero? ? nil : found[at - 1][:revision] }
            .reverse
        end
      end
    end
  end
end
