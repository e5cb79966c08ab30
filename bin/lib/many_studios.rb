# frozen_string_literal: true

require "server/app"

# The demo studio again and again, as sets: the same students in each, with their last weeks, under
# teachers of their own.
module ManyStudios
  # Between the accounts of one studio and those of the next.
  APART = 1_000
  # Days of what happened that each keeps, and plans of each student. Own choice: what a screen
  # shows first.
  DAYS = 21
  PLANS = 2
  BESIDE = %w[sheet_links student_summaries piece_figures].freeze
  private_constant :DAYS, :PLANS, :BESIDE

  module_function

  # @param db [Sequel::Database] as its owner, who may leave triggers out
  # @param count [Integer] studios in all
  # @return [void]
  def make(db, count)
    shorten(db)
    db.transaction do
      db.run("SET LOCAL session_replication_role = replica")
      db.run(<<~SQL)
        INSERT INTO accounts (id, email, name, status_id) OVERRIDING SYSTEM VALUE
          SELECT id + #{APART} * (n - 1), n || '.' || email, name, status_id FROM accounts, generate_series(2, #{count}) n;
        INSERT INTO account_password_hashes SELECT id + #{APART} * (n - 1), password_hash FROM account_password_hashes, generate_series(2, #{count}) n;
      SQL
      copy(db, "studios", count, "id")
      archived = Stairwell::Server::Repositories::Archived.new(Stairwell::Server::Tables.new(db, 1))
      ["memberships", *archived.names, *BESIDE].each do |name|
        copy(
          db,
          name,
          count,
          "studio_id",
          archived.accounts(name) | ((name == "memberships") ? ["account_id"] : [])
        )
      end
    end
    db.run("ANALYZE")
  end

  # The old is left out: it is what lies in the tables that counts, not how long ago it was.
  def shorten(db)
    db.transaction do
      db.run("SET LOCAL session_replication_role = replica")
      %i[practice_marks lesson_results].each do |table|
        db[table].where { day < Date.today - DAYS }.delete
      end
      newest =
        db[:week_plans].select(
          :id,
          Sequel
            .function(:row_number)
            .over(partition: :student_id, order: Sequel.desc(:id))
            .as(:nth)
        ).as(:numbered)
      db[:week_plans].exclude(id: db.from(newest).where { nth <= PLANS }.select(:id)).delete
    end
  end

  def copy(db, name, count, own, accounts = [])
    columns = db[name.to_sym].columns.map(&:to_s)
    values =
      columns.map do |column|
        next "n" if column == own

        accounts.include?(column) ? "t.#{column} + #{APART} * (n - 1)" : "t.#{column}"
      end
    db.run(
      "INSERT INTO #{name} (#{columns.join(", ")}) OVERRIDING SYSTEM VALUE SELECT #{values.join(", ")} FROM #{name} t, generate_series(2, #{count}) n WHERE t.#{own} = 1"
    )
  end
  private_class_method :shorten, :copy
end
