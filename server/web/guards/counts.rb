# frozen_string_literal: true

module Stairwell
  module Server
    module Guards
      # Counts requests in an unlogged table, so that all processes share them.
      class Counts
        # @param db [Sequel::Database]
        def initialize(db)
          @db = db
        end

        # @return [Integer] the count after adding
        def increment(key, amount, expires_in:)
          now = Sequel::CURRENT_TIMESTAMP
          expired = Sequel[:rate_counts][:expires_at] < now
          @db[:rate_counts]
            .returning(:count)
            .insert_conflict(
              target: :key,
              update: {
                count: Sequel.case({ expired => amount }, Sequel[:rate_counts][:count] + amount),
                expires_at:
                  Sequel.case(
                    { expired => Sequel[:excluded][:expires_at] },
                    Sequel[:rate_counts][:expires_at]
                  )
              }
            )
            .insert(
              key: key,
              count: amount,
              expires_at: now + Sequel.lit("? * interval '1 second'", expires_in)
            )
            .first[
            :count
          ]
        end

        def read(key) =
          @db[:rate_counts]
            .where(key: key)
            .where(Sequel[:expires_at] > Sequel::CURRENT_TIMESTAMP)
            .get(:count)

        def write(key, value, expires_in: 60) = increment(key, value, expires_in: expires_in)

        def delete(key) = @db[:rate_counts].where(key: key).delete
      end
    end
  end
end
