# frozen_string_literal: true

module Stairwell
  module Server
    module Repositories
      # Who stands in for whom, and on which days.
      class Covers
        # @param tables [Tables]
        def initialize(tables)
          @tables = tables
        end

        # @param from [Date]
        # @param to [Date]
        # @return [Array<Hash>] of these days, with the names of both
        def between(from, to)
          named = ->(whose) do
            @tables.db[:accounts].where(id: Sequel[:covers][whose]).select(:name)
          end
          in_force
            .where((Sequel[:first_day] <= to) & (Sequel[:last_day] >= from))
            .order(:first_day, :id)
            .select_all(:covers)
            .select_append(named[:away_id].as(:away), named[:cover_id].as(:cover))
            .all
        end

        # @param away_ids [Array<Integer>]
        # @param date [Date]
        # @return [Array<Integer>] who stands in for any of them that day
        def standing_in(away_ids, date)
          in_force
            .where(away_id: away_ids)
            .where((Sequel[:first_day] <= date) & (Sequel[:last_day] >= date))
            .select_map(:cover_id)
        end

        # @param key [String] from the client; the same one twice is one
        # @raise [Problem] 422 where either teaches nobody, or another stands in already
        def add(key:, away_id:, cover_id:, first_day:, last_day:, by:)
          return if @tables[:covers].where(key: key).any?

          [away_id, cover_id].each { |id| Members.new(@tables).teaches!(id) }
          @tables[:memberships].where(account_id: away_id).for_update.get(:account_id)
          refuse(Phrase["server.covers.same"], "cover_id") if away_id == cover_id
          if between(first_day, last_day).any? { |row| row[:away_id] == away_id }
            refuse(Phrase["server.covers.covered"], "first_day")
          end
          if between(first_day, last_day).any? { |row|
               row[:away_id] == cover_id || row[:cover_id] == away_id
             }
            refuse(Phrase["server.covers.away_too"], "cover_id")
          end

          @tables.add(
            :covers,
            key: key,
            away_id: away_id,
            cover_id: cover_id,
            first_day: first_day,
            last_day: last_day,
            made_by: by
          )
        end

        # @raise [MissingError]
        def withdraw(id)
          changed = in_force.where(id: id).update(withdrawn_at: Sequel::CURRENT_TIMESTAMP)
          raise MissingError, Phrase["missing.cover"] if changed.zero?
        end

        private

        def in_force = @tables[:covers].where(withdrawn_at: nil)

        def refuse(words, field) = raise(Problem.new(422, words, code: "cover", field: field))
      end
    end
  end
end
