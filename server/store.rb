# frozen_string_literal: true

require "pg"
require "sequel"
require "sequel/extensions/pg_json_ops"

module Stairwell
  module Server
    # The database as the app sees it. Every use is inside a studio: the
    # transaction comes in by a {Door}, and row-level security does the rest.
    class Store
      # Larger than any id there will be: what claims more names nothing.
      MOST_ID = 2**62

      # Notices within seconds that the database has gone, also where nothing says so
      # (milliseconds, then seconds; libpq's own words).
      ALIVE = {
        tcp_user_timeout: 10_000,
        keepalives_idle: 10,
        keepalives_interval: 5,
        keepalives_count: 2
      }.freeze

      # @return [Sequel::Database]
      attr_reader :db

      # @param url [String]
      def initialize(url, connections: 6)
        @db =
          Sequel.connect(
            url,
            max_connections: connections,
            test: false,
            connect_timeout: Limits::CONNECT_SECONDS,
            pool_timeout: Limits::POOL_SECONDS,
            driver_options: ALIVE,
            after_connect: method(:bounded)
          )
        @db.extension :pg_json, :pg_array
        @db.wrap_json_primitives = false
      end

      # @param studio_id [Integer]
      # @param door [Door::Session, Door::Link, Door::Keeper] how one comes in
      # @yieldparam db [Sequel::Database]
      # @return [Object] what the block gives
      # @raise [Problem] where the door is shut
      def in_studio(studio_id, door = Door::Keeper.new)
        db.transaction do
          door.enter(db, studio_id) || raise(door.shut)
          yield db
        end
      end

      # The same for what is only read: all statements see one state.
      # @return [Object] what the block gives
      def snapshot(studio_id, door = Door::Keeper.new)
        db.transaction(isolation: :repeatable, read_only: true) do
          door.enter(db, studio_id) || raise(door.shut)
          yield db
        end
      end

      # @param door [Door::Session, Door::Keeper] of a person
      # @param wanted [Integer, nil] the studio to be preferred, of several
      # @return [Hash, nil] :account_id, :studio (a row) and :role, of one the person belongs to
      # @raise [Problem] where the session has ended in the meantime
      def studio_of(door, wanted = nil)
        db.transaction do
          account_id = door.person(db) || raise(door.shut)
          found =
            memberships(account_id).min_by do |membership|
              [(membership[:studio_id] == wanted) ? 0 : 1, membership[:studio_id]]
            end
          found &&
            { account_id: account_id, studio: row(door, found[:studio_id]), role: found[:role] }
        end
      end

      # @param door [Door::Session, Door::Keeper] of a person
      # @return [Array<Hash>] rows of all studios the person belongs to
      def studios_of(door)
        db.transaction do
          memberships(door.person(db)).map { |membership| row(door, membership[:studio_id]) }
        end
      end

      # @param link [Door::Link]
      # @return [Array(Integer, Hash), nil] the link's row by its number, and the studio's row;
      #   nil for a link that is over, forged or garbled alike
      def behind(link)
        db.transaction { (id = link.row_id(db)) && [id, db[:studios].first] }
      end

      # @param id [Integer]
      # @return [Hash, nil]
      def studio(id) = (id < MOST_ID) ? db.transaction { row(Door::Keeper.new, id) } : nil

      # Makes a studio and its first member.
      # @return [Integer] the studio's id
      def found_studio(name:, time_zone:, owner_id:, locale: nil) =
        db.get(Sequel.function(:found_studio, name, time_zone, locale, owner_id))

      private

      def memberships(account_id)
        db[:memberships]
          .where(account_id: account_id, left_at: nil)
          .order(:studio_id)
          .select(:studio_id, :role)
          .all
      end

      # No statement waits or works without end.
      def bounded(connection)
        {
          statement_timeout: Limits::STATEMENT_SECONDS,
          lock_timeout: Limits::LOCK_SECONDS,
          idle_in_transaction_session_timeout: Limits::STATEMENT_SECONDS
        }.each { |name, seconds| connection.exec("SET #{name} = '#{seconds}s'") }
      end

      def row(door, studio_id) = door.enter(db, studio_id) ? db[:studios].first(id: studio_id) : nil
    end
  end
end
