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

      # A row whose key came from the client: the same one twice is one row.
      # @return [Boolean] whether it was new
      def add_once(table, **values) = db[table].insert_conflict.returning(:key).insert(studio_id: studio_id, **values).any?
    end

    # Where a request or a job works: in which studio, who it is (nil on a private link),
    # and the date there. It opens short transactions and holds none: what was read is
    # computed with, and only then is something kept.
    StudioContext = Stairwell.value(:store, :studio, :clock, :settings, account_id: nil) do
      # @return [Integer]
      def studio_id = studio[:id]

      # @return [Date] in the studio's time zone
      def today = clock.today(studio[:time_zone])

      # @return [Symbol] the language the studio speaks
      def locale = studio[:locale].to_sym

      # @param time [Time]
      # @return [Date] of that time in the studio's time zone
      def date_of(time) = clock.class.new(time).today(studio[:time_zone])

      # One state of the rows, however many statements it takes.
      # @yieldparam tables [Tables]
      # @return [Object] what the block gives
      def read = store.snapshot(studio_id) { |db| yield Tables.new(db, studio_id) }

      # @param sequence [Symbol]
      # @return [Integer] the next number of it, for a row that is kept later
      def next_id(sequence) = store.db.get(Sequel.function(:nextval, sequence.to_s))

      # @yieldparam tables [Tables]
      # @return [Object] what the block gives
      def write = store.in_studio(studio_id) { |db| yield Tables.new(db, studio_id) }
    end

    # Opens studio contexts.
    class StudioContexts
      attr_reader :store, :settings, :clock

      # @param store [Store]
      # @param clock [Clock]
      # @param settings [Settings]
      def initialize(store:, clock:, settings:)
        @store = store
        @clock = clock
        @settings = settings
      end

      # @param account_id [Integer]
      # @return [StudioContext]
      # @raise [Problem] when the account belongs to no studio
      def of_account(account_id)
        studio = @store.studio_of_account(account_id)
        raise Problem.new(403, Phrase["server.studio_context.this_account_belongs_to_no_studio"], code: "no_studio") unless studio

        context(studio, account_id)
      end

      # @param id [Integer]
      # @param account_id [Integer, nil]
      # @return [StudioContext, nil] nil where there is no such studio
      def of_studio(id, account_id: nil)
        studio = @store.studio(id)
        studio && context(studio, account_id)
      end

      private

      def context(studio, account_id) = StudioContext.new(store: @store, studio: studio, clock: @clock, settings: @settings, account_id: account_id)
    end
  end
end
