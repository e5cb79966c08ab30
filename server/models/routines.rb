# frozen_string_literal: true

module Stairwell
  module Server
    module Models
      # The routines that ship and the studio's own. A key is the name of one
      # that ships, or "own-" and a number.
      class Routines
        OWN = /\Aown-(\d{1,15})\z/

        def initialize(desk)
          @desk = desk
        end

        # @return [Array<Practice::Routine>] those that ship, then the studio's
        def all = Practice::ROUTINES.values + rows.order(:id).map { |row| routine(row) }

        # @param key [String]
        # @return [Practice::Routine]
        # @raise [Problem] 404
        def find(key)
          return Practice::ROUTINES.fetch(key) { raise Problem.not_found("routine") } unless key.match?(OWN)

          routine(row(key))
        end

        # @return [Integer, nil] the version of the studio's own, nil for others
        def version(key) = key.match?(OWN) ? row(key)[:version] : nil

        # @return [Practice::Routine] a copy under another name
        def copy(key, name)
          from = find(key)
          row = named(name) { @desk.add(:routines, name: name, for_whom: from.for_whom, stages: stages(from), made_by: @desk.account_id) }
          routine(row)
        end

        # @param seen [Integer] the version the client saw
        # @return [Practice::Routine]
        # @raise [Problem] 409 when it was changed meanwhile
        def change(key, routine, seen:)
          id = row(key)[:id]
          changed = named(routine.name) do
            rows.where(id: id, version: seen).returning.update(name: routine.name, for_whom: routine.for_whom, stages: stages(routine), version: seen + 1).first
          end
          return self.routine(changed) if changed

          raise Problem.stale("“#{routine.name}”", kept: Views::Student.routine(find(key)), sent: Views::Student.routine(routine))
        end

        private

        def rows = @desk[:routines]

        def row(key) = rows.first(id: key[OWN, 1].to_i) || raise(Problem.not_found("routine"))

        def routine(row)
          Practice::RoutineDocument.load(row[:stages].to_a.map(&:to_h), key: "own-#{row[:id]}", name: row[:name], for_whom: row[:for_whom], why: "Your studio's own.")
        end

        def stages(routine) = Sequel.pg_jsonb(Practice::RoutineDocument.dump(routine))

        def named(name)
          @desk.db.transaction(savepoint: true) { yield }
        rescue Sequel::UniqueConstraintViolation
          raise Problem.new(409, "There is a routine called “#{name}” already. Choose another name.", code: "name_taken", field: "name")
        end
      end
    end
  end
end
