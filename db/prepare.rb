# frozen_string_literal: true

require "sequel"
require_relative "../server/settings"

module Stairwell
  # Brings a database to the app's newest shape, as its owner: makes the plain
  # role the app signs in as, then migrates.
  module Prepare
    MIGRATIONS = File.expand_path("migrations", __dir__)

    # @param settings [Server::Settings]
    # @return [void]
    def self.call(settings)
      Sequel.extension :migration
      Sequel.connect(settings.owner_url) do |db|
        app_role(db, settings)
        Sequel::Migrator.run(db, MIGRATIONS)
      end
    end

    def self.app_role(db, settings)
      exists = db.from(:pg_roles).where(rolname: Server::Settings::APP_ROLE).any?
      verb = exists ? "ALTER" : "CREATE"
      db.run("#{verb} ROLE #{Server::Settings::APP_ROLE} LOGIN NOSUPERUSER NOCREATEDB NOCREATEROLE NOBYPASSRLS " \
        "PASSWORD #{db.literal(settings.app_password)}")
    end
    private_class_method :app_role
  end
end

Stairwell::Prepare.call(Stairwell::Server::Settings.from_env) if $PROGRAM_NAME == __FILE__
