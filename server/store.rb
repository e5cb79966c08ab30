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
      # @param wanted [Integer, nil] the studio to be preferred, of several
      # @return [Array(Hash, String), nil] the row of a studio the account belongs to, and
      #   its role there
      def studio_of_account(account_id, wanted = nil)
        db.transaction do
          found =
            memberships(account_id).min_by do |one|
              [(one[:studio_id] == wanted) ? 0 : 1, one[:studio_id]]
            end
          found && [row(found[:studio_id]), found[:role]]
        end
      end

      # @param account_id [Integer]
      # @return [Array<Hash>] rows of all studios the account belongs to
      def studios_of_account(account_id)
        db.transaction { memberships(account_id).map { |one| row(one[:studio_id]) } }
      end

      # @param id [Integer]
      # @return [Hash, nil]
      def studio(id) = (id < MOST_ID) ? db.transaction { row(id) } : nil

      # Makes a studio and its first member.
      # @return [Integer] the studio's id
      def found_studio(name:, time_zone:, owner_id:, **more)
        db.transaction do
          id =
            db.get(
              Sequel.function(:nextval, Sequel.function(:pg_get_serial_sequence, "studios", "id"))
            )
          setting("stairwell.studio", id)
          db[:studios].overriding_system_value.insert(
            id: id,
            name: name,
            time_zone: time_zone,
            **more
          )
          db[:memberships].insert(studio_id: id, account_id: owner_id, role: "owner")
          id
        end
      end

      private

      def memberships(account_id)
        setting("stairwell.account", account_id)
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

      def row(studio_id)
        setting("stairwell.studio", studio_id)
        db[:studios].first(id: studio_id)
      end

      # Holds until the transaction ends.
      def setting(name, value) = db.get(Sequel.function(:set_config, name, value.to_s, true))
    end
  end
end
