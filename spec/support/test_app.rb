# frozen_string_literal: true

require "sequel"
require_relative "web_alone"

# The server under test and its database, shared by all specs of a run.
module TestApp
  SETTINGS = Stairwell::Server::Settings.from_env
  OWNER = Sequel.connect(SETTINGS.owner_url, max_connections: 2)
  PASSWORD = "a quiet staircase"
  # A clock the specs set.
  class Clock < Stairwell::Server::Clock
    attr_writer :fixed

    def now = (@fixed || Time.now).getutc
  end

  CLOCK = Clock.new

  module_function

  # @return [Stairwell::Server::Store]
  def store = @store ||= Stairwell::Server::Store.new(SETTINGS.app_url)

  # @return [Stairwell::Server::Store] of who works on jobs
  def keeper = @keeper ||= Stairwell::Server::Store.new(SETTINGS.keeper_url)

  # @return [#call] the whole application
  def app = @app ||= again

  # The application anew, when another was made in between.
  def again =
    @app =
      WebAlone.new(
        Stairwell::Server.app(SETTINGS, store: store, keeper: keeper, clock: CLOCK, log: LOG)
      )

  # @return [Stairwell::Server::StudioContexts]
  def contexts =
    Stairwell::Server::StudioContexts.new(
      store: store,
      keeper: keeper,
      clock: CLOCK,
      settings: SETTINGS
    )

  # @param account_id [Integer]
  # @return [Stairwell::Server::Door::Session] of a session of theirs
  def door(account_id)
    shown = SecureRandom.hex
    OWNER[:account_active_session_keys].insert(
      account_id: account_id,
      session_id: Digest::SHA256.hexdigest(shown)
    )
    Stairwell::Server::Door::Session.new(shown: shown)
  end

  # @param link [Hash] row of a sheet's link
  # @return [String]
  def sheet_token(link) =
    keeper.in_studio(link[:studio_id]) do |db|
      db.get(Sequel.function(:link_token, "sheet", link[:id], link[:nonce]))
    end

  LOG = StringIO.new

  # Nothing is left of the spec before; today is a Wednesday.
  def empty
    OWNER.run(emptying)
    Stairwell::Server::Remembered::OF_PROCESS.clear
    self.now = Time.utc(2027, 3, 3, 12)
    LOG.truncate(0)
    LOG.rewind
  end

  # Taking rows away, without looking what points at what, is some fifty times quicker than
  # truncating, which makes every table's files anew.
  # @return [String] SQL
  def emptying
    @emptying ||=
      begin
        named = ->(from, column) { OWNER.from(from).where(schemaname: "public").select_map(column) }
        tables = named.call(:pg_tables, :tablename) - %w[schema_info door_keys]
        [
          "SET session_replication_role = replica",
          *tables.map { |table| "DELETE FROM #{table}" },
          *named
            .call(:pg_sequences, :sequencename)
            .map { |name| "SELECT setval('#{name}', 1, false)" },
          "SET session_replication_role = origin"
        ].join(";")
      end
  end

  # @return [Time] as the app's clock has it
  def now = CLOCK.now

  def now=(time)
    CLOCK.fixed = time
  end

  # A day after somebody was to be erased, by the database's clock.
  def erase_as_asked
    OWNER[:erasure_requests].update(due_at: Sequel.lit("clock_timestamp() - interval '1 second'"))
    OWNER[:erasure_requests]
      .where(stopped_at: nil)
      .select_map(%i[studio_id student_id])
      .each { |ids| Stairwell::Server::Jobs::EraseStudent.allocate.run(*ids) }
  end

  # Works on the jobs that are due, until none is left.
  def work_on_jobs
    while (
            job =
              OWNER[:que_jobs]
                .where(finished_at: nil)
                .where { run_at <= CLOCK.now }
                .order(:id)
                .first
          )
      OWNER[:que_jobs].where(id: job[:id]).delete
      Object.const_get(job[:job_class]).allocate.run(*JSON.parse(job[:args]))
    end
  end

  # @return [Hash] :account_id, :studio_id, :email of a new studio's owner
  def studio(name = "Quay Street", email: "owner@quay.example")
    account =
      Stairwell::Server::Auth.add_account(
        store.db,
        email: email,
        name: "Mira Quist",
        password: PASSWORD
      )
    {
      account_id: account,
      studio_id: store.found_studio(name: name, time_zone: "Europe/Lisbon", owner_id: account),
      email: email
    }
  end
end
