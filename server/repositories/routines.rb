# frozen_string_literal: true

module Stairwell
  module Server
    module Repositories
      # The studio's own routines. Their key is "own-" and a number.
      class Routines
        OWN = /\Aown-(\d{1,15})\z/

        # @param tables [Tables]
        def initialize(tables)
          @tables = tables
        end

        # @param row [Hash]
        # @return [String]
        def self.key(row) = "own-#{row[:id]}"

        # @param row [Hash]
        # @return [Practice::Routine]
        def self.value(row)
          Practice::RoutineDocument.load(
            row[:stages].to_a.map(&:to_h),
            key: key(row),
            name: row[:name],
            for_whom: row[:for_whom],
            why: Phrase["server.routines.your_studio_s_own"]
          )
        end

        # @return [Array<Hash>]
        def list = @tables[:routines].order(:id).all

        # @param key [String]
        # @return [Hash, nil] nil for one that ships
        # @raise [MissingError]
        def find(key)
          return unless key.match?(OWN)

          @tables[:routines].first(id: key[OWN, 1].to_i) ||
            raise(MissingError, Phrase["missing.routine"])
        end

        # @param columns [Hash] name:, for_whom:, stages:
        # @return [Hash] the row
        # @raise [Problem] 409 when the name is taken
        def add(columns, by:) = named(columns) { |row| @tables.add(:routines, made_by: by, **row) }

        # @param seen [Integer] the version the client saw
        # @return [Hash, nil] the row; nil when it was changed meanwhile
        # @raise [Problem] 409 when the name is taken
        def change(key, columns, seen:)
          named(columns) do |row|
            @tables.revise(@tables[:routines].where(id: key[OWN, 1].to_i), seen: seen, **row)
          end
        end

        private

        def named(columns)
          yield columns.merge(stages: Sequel.pg_jsonb(columns[:stages]))
        rescue Sequel::UniqueConstraintViolation
          raise Problem.new(
                  409,
                  Phrase["server.routines.there_is_a_routine_called_already", name: columns[:name]],
                  code: "name_taken",
                  field: "name"
                )
        end
      end
    end
  end
end
