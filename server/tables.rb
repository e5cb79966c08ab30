# frozen_string_literal: true

module Stairwell
  module Server
    # A studio's rows inside one short transaction.
    class Tables
      # Made twice at worst, by two threads at once.
      STATEMENTS = {}
      private_constant :STATEMENTS

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

      # Rows of a long statement that is asked on every page: its text is made once, and
      # these values are put in.
      # @param name [Symbol] of the statement
      # @param values [Array<Object>] ids are one value: {Tables.ids}
      # @yieldparam tables [Tables]
      # @yieldparam places [Array<Object>] of the values, in a statement that depends on
      #   nothing else
      # @yieldreturn [Sequel::Dataset]
      # @return [Array<Hash>]
      def statement(name, *values)
        made =
          STATEMENTS[name] ||= Sequel::Dataset::PlaceholderLiteralizer.loader(
            db.dataset
          ) { |places, _| yield Tables.new(db, places.arg), *values.map { places.arg } }
        db.fetch(made.sql(studio_id, *values)).all
      end

      # @param list [Array<Integer>]
      # @return [Object] a value of {#statement}, where any of them is asked for
      def self.ids(list) = Sequel.pg_array(list, :bigint)

      # @param place [Object] of {Tables.ids}
      # @return [Object] what a column is compared with
      def self.any(place) = Sequel.function(:ANY, place)

      # @return [Hash] the row as stored
      def add(table, **values) = db[table].returning.insert(studio_id: studio_id, **values).first

      # What several people change has a version: it is changed only where it is still as
      # it was seen.
      # @param rows [Sequel::Dataset] of one row
      # @param seen [Integer] its version
      # @param counted [Symbol] the column that holds it
      # @return [Hash, nil] the row; nil when someone else was quicker
      def revise(rows, seen:, counted: :version, **values) =
        rows.where(counted => seen).returning.update(counted => seen + 1, **values).first

      # The same for what may not be there yet.
      # @param key [Hash] what tells the row
      # @param seen [Integer] 0 where there was none
      # @param first [Hash] what is set only when it is added
      # @return [Hash, nil]
      def revise_or_add(table, key, seen:, first: {}, **values)
        return revise(self[table].where(key), seen: seen, **values) if seen.positive?

        db[table]
          .insert_conflict
          .returning
          .insert(studio_id: studio_id, **key, **first, **values)
          .first
      end

      # A student's row whose key came from the client: the same one twice is one row.
      # @return [Boolean] whether it was new
      # @raise [Problem] 409 when it is the key of another student's row
      def add_once(table, key:, student_id:, **values)
        if db[table]
             .insert_conflict
             .returning(:key)
             .insert(studio_id: studio_id, key: key, student_id: student_id, **values)
             .any?
          return true
        end
        return false unless self[table].where(key: key).exclude(student_id: student_id).any?

        raise Problem.key_used
      end
    end
  end
end
