# frozen_string_literal: true

# What the app says to the database, from its own log.
module Statements
  # Transactions, settings and the session are aside: what is counted is about the
  # studio's tables.
  ASIDE =
    /\A(?:BEGIN|COMMIT|ROLLBACK|SET |SELECT "?(?:enter_\w+|link_token)"?\(|SAVEPOINT|RELEASE)|"account_|"rate_counts"|FROM "accounts" WHERE \("id"|"memberships"/

  # Keeps what Sequel logs.
  class Log
    attr_reader :statements

    def initialize = @statements = []

    def info(text) = @statements << text.sub(/\A\([\d.]+s\) /, "")

    %i[debug warn error].each { |name| define_method(name) { |*| nil } }
  end

  # @return [Array<String>] those on the studio's tables, while the block runs
  def statements
    log = Log.new
    TestApp.store.db.loggers << log
    Afresh.without { yield }
    log.statements.grep_v(ASIDE)
  ensure
    TestApp.store.db.loggers.delete(log)
  end
end
