# frozen_string_literal: true

require "sequel"
require_relative "../server/settings"
require_relative "erase_again"

module Stairwell
  # Brings a database to the app's newest shape, as its owner: makes the plain
  # role the app signs in as, then migrates.
  module Prepare
    MIGRATIONS = File.expand_path("migrations", __dir__)
    # Any number, which nothing else locks.
    LOCK = 4_310_047
    # Roles belong to all databases of a PostgreSQL: who prepares another one may be changing the
    # same role.
    TRIES = 10
    private_constant :LOCK, :TRIES

    # @param settings [Server::Settings]
    # @return [void]
    def self.call(settings)
      Sequel.extension :migration
      Sequel.connect(settings.owner_url) do |db|
        alone(db) do
          role(db, Server::Settings::APP_ROLE, settings.app_password)
          role(db, Server::Settings::QUEUE_ROLE, settings.queue_password)
          role(db, Server::Settings::KEEPER_ROLE, settings.keeper_password)
          Sequel::Migrator.run(db, MIGRATIONS)
          sign_links(db, settings.link_secrets)
          EraseAgain.call(db)
          close(db)
        end
      end
    end

    # Of servers that start on one database at once, one prepares it and the others wait.
    def self.alone(db)
      db.synchronize do
        db.get(Sequel.function(:pg_advisory_lock, LOCK))
        yield
      ensure
        db.get(Sequel.function(:pg_advisory_unlock, LOCK))
      end
    end
    private_class_method :alone

    # Closes the walls between studios for the owner too, where a backup that fell left them open.
    # @param db [Sequel::Database] as its owner
    # @return [void]
    def self.close(db)
      open =
        db
          .from(:pg_class)
          .where(relrowsecurity: true, relforcerowsecurity: false, relkind: "r")
          .select_map(:relname)
      db.transaction do
        open.each do |name|
          db.run("ALTER TABLE #{db.literal(Sequel.identifier(name))} FORCE ROW LEVEL SECURITY")
        end
      end
    end

    # What a page gives is kept beside it, as this version of the app makes it.
    # @param settings [Server::Settings]
    # @return [void]
    def self.draw(settings)
      require_relative "../server/app"
      keeper = Server::Store.new(settings.keeper_url)
      contexts =
        Server::StudioContexts.new(
          store: keeper,
          keeper: keeper,
          clock: Server::Clock.new(settings.fixed_now),
          settings: settings
        )
      Sequel
        .connect(settings.owner_url) { |db| studios(db) }
        .each do |id|
          context = contexts.of_studio(id)
          Locales.with(context.locale) { Server::Jobs::DrawPages.draw(context) }
        end
    ensure
      keeper&.db&.disconnect
    end

    # The walls between studios hide them even from an owner who is no superuser; they are
    # open to the owner for this one statement.
    # @return [Array<Integer>] ids
    def self.studios(db)
      db.transaction do
        db.run("ALTER TABLE studios NO FORCE ROW LEVEL SECURITY")
        db[:studios]
          .order(:id)
          .select_map(:id)
          .tap { db.run("ALTER TABLE studios FORCE ROW LEVEL SECURITY") }
      end
    end

    # Gives the database what it signs private links with, as HMAC prepares a key of 64 bytes
    # (RFC 2104).
    # @param secrets [Hash{String => String}] by kind
    # @return [void]
    def self.sign_links(db, secrets)
      rows =
        secrets.map do |kind, secret|
          inner, outer =
            [0x36, 0x5c].map do |pad|
              Sequel.blob(secret.bytes.map { |byte| byte ^ pad }.pack("C*"))
            end
          { kind: kind, inner_key: inner, outer_key: outer }
        end
      db[:door_keys].insert_conflict(
        target: :kind,
        update: {
          inner_key: Sequel[:excluded][:inner_key],
          outer_key: Sequel[:excluded][:outer_key]
        }
      ).multi_insert(rows)
    end

    # A role without any attribute but sign-in. One of that name with more
    # rights than it may have is refused: it would see through the walls
    # between studios.
    def self.role(db, name, password)
      role = db.from(:pg_roles).first(rolname: name)
      if role&.values_at(:rolsuper, :rolbypassrls)&.any?
        abort "The database role #{name} is a superuser or bypasses row security. Take that right away and start again."
      end
      db.run("#{role ? "ALTER" : "CREATE"} ROLE #{name} LOGIN PASSWORD #{db.literal(password)}")
    rescue Sequel::DatabaseError => error
      tries = tries.to_i + 1
      raise if tries > TRIES || !error.message.match?(/concurrently updated|already exists/)

      sleep 0.1
      retry
    end
    private_class_method :role
  end
end

Stairwell::Prepare.call(Stairwell::Server::Settings.from_env) if $PROGRAM_NAME == __FILE__
