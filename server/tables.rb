# frozen_string_literal: true

module Stairwell
  module Server
    # A studio's rows inside one short transaction.
    class Tables
      # @return [Sequel::Database]
      attr_reader :db
      # @return [Integer]
      attr_reader :studio_id

      # @param db [Sequel::Database] in a transaction inside the studio
      # @param studio_id [Integer]
      def initialize(db, studio_id)
        @db = db
        @studio_id = studio_id
      end

      # @param table [Symbol]
      # @return [Sequel::Dataset] its rows of this studio
      def [](table) = db[table].where(Sequel[table][:studio_id] => studio_id)

      # @return [Hash] the row as stored
      def add(table, **values) = db[table].returning.insert(studio_id: studio_id, **values).first

      # What several people change has a version: it is changed only where it is still as
      # it was seen.
      # @param rows [Sequel::Dataset] of one row
      # @param seen [Integer] its version
      # @param counted [Symbol] the column that holds it
      # @return [Hash, nil] the row; nil when someone else was quicker
      def revise(rows, seen:, counted: :version, **values) = rows.where(counted => seen).returning.update(counted => seen + 1, **values).first

      # The same for what may not be there yet.
      # @param key [Hash] what tells the row
      # @param seen [Integer] 0 where there was none
      # @param first [Hash] what is set only when it is added
      # @return [Hash, nil]
      def revise_or_add(table, key, seen:, first: {}, **values)
        return revise(self[table].where(key), seen: seen, **values) if seen.positive?

        db[table].insert_conflict.returning.insert(studio_id: studio_id, **key, **first, **values).first
      end

      # A student's row whose key came from the client: the same one twice is one row.
      # @return [Boolean] whether it was new
      # @raise [Problem] 409 when it is the key of another student's row
      def add_once(table, key:, student_id:, **values)
        return true if db[table].insert_conflict.returning(:key).insert(studio_id: studio_id, key: key, student_id: student_id, **values).any?
        return false unless self[table].where(key: key).exclude(student_id: student_id).any?

        raise Problem.new(409, Phrase["server.tables.key_used"], code: "key_used", field: "key")
      end
    end
  end
end
