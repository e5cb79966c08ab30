# frozen_string_literal: true

require "pg"
require "sequel"
require "sequel/extensions/pg_json_ops"

module Stairwell
  module Server
    # The database as the app sees it. Every use is inside a studio: the
    # transaction carries its id, and row-level security does the rest.
    class Store
      # Larger than any id there will be: what claims more names nothing.
      MOST_ID = 2**62

      # Notices within seconds that the database has gone, also where nothing says so
      # (milliseconds, then seconds; libpq's own words).
      ALIVE = {tcp_user_timeout: 10_000, keepalives_idle: 10, keepalives_interval: 5, keepalives_count: 2}.freeze
      private_constant :ALIVE

      # @return [Sequel::Database]
      attr_reader :db

      # @param url [String]
      def initialize(url, connections: 6)
        @db = Sequel.connect(url, max_connections: connections, test: false, connect_timeout: Limits::CONNECT_SECONDS, pool_timeout: Limits::POOL_SECONDS, driver_options: ALIVE, after_connect: method(:bounded))
        @db.extension :pg_json, :pg_array
        @db.wrap_json_primitives = false
      end

      # @param studio_id [Integer]
      # @yieldparam db [Sequel::Database]
      # @return [Object] what the block gives
      def in_studio(studio_id)
        db.transaction do
          setting("stairwell.studio", studio_id)
          yield db
        end
      end

      # The same for what is only read: all statements see one state.
      # @return [Object] what the block gives
      def snapshot(studio_id)
        db.transaction(isolation: :repeatable, read_only: true) do
          setting("stairwell.studio", studio_id)
          yield db
        end
      end

      # @param account_id [Integer]
      # @return [Hash, nil] the row of the first studio the account belongs to
      def studio_of_account(account_id)
        db.transaction do
          setting("stairwell.account", account_id)
          id = db[:memberships].where(account_id: account_id).order(:studio_id).get(:studio_id)
          id && row(id)
        end
      end

      # @param id [Integer]
      # @return [Hash, nil]
      def studio(id) = (id < MOST_ID) ? db.transaction { row(id) } : nil

      # Makes a studio and its first member; used by setup and demo.
      # @return [Integer] the studio's id
      def found_studio(name:, time_zone:, owner_id:)
        db.transaction do
          id = db.get(Sequel.function(:nextval, Sequel.function(:pg_get_serial_sequence, "studios", "id")))
          setting("stairwell.studio", id)
          db[:studios].overriding_system_value.insert(id: id, name: name, time_zone: time_zone)
          db[:memberships].insert(studio_id: id, account_id: owner_id, role: "owner")
          id
        end
      end

      private

      # No statement waits or works without end.
      def bounded(connection)
        {statement_timeout: Limits::STATEMENT_SECONDS, lock_timeout: Limits::LOCK_SECONDS, idle_in_transaction_session_timeout: Limits::STATEMENT_SECONDS}
          .each { |name, seconds| connection.exec("SET #{name} = '#{seconds}s'") }
      end

      def row(studio_id)
        setting("stairwell.studio", studio_id)
        db[:studios].first(id: studio_id)
      end

      # Holds until the transaction ends.
      def setting(name, value) = db.get(Sequel.function(:set_config, name, value.to_s, true))
    end
  end
end
