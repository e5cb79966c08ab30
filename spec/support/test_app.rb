# frozen_string_literal: true

require "sequel"

# The server under test and its database, shared by all specs of a run.
module TestApp
  SETTINGS = Stairwell::Server::Settings.from_env
  OWNER = Sequel.connect(SETTINGS.owner_url, max_connections: 2)
  PASSWORD = "a quiet staircase"
  TABLES = %i[
    rate_counts
    promised_dates
    student_summaries
    outbox
    lendings
    lessons
    que_jobs
    plan_runs
    extra_work
    simplifications
    introductions
    week_overrides
    routines
    drill_results
    piece_layers
    sheet_links
    week_plans
    lesson_results
    practice_marks
    assignments
    score_files
    piece_figures
    map_revisions
    pieces
    students
    memberships
    studios
    account_devices
    account_active_session_keys
    account_password_hashes
    accounts
  ].freeze

  # A clock the specs set.
  class Clock < Stairwell::Server::Clock
    attr_writer :fixed

    def now = (@fixed || Time.now).getutc
  end

  CLOCK = Clock.new

  module_function

  # @return [Stairwell::Server::Store]
  def store = @store ||= Stairwell::Server::Store.new(SETTINGS.app_url)

  # @return [#call] the whole application
  def app = @app ||= again

  # The application anew, when another was made in between.
  def again = @app = Stairwell::Server.app(SETTINGS, store: store, clock: CLOCK, log: LOG)

  # @return [Stairwell::Server::StudioContexts]
  def contexts =
    Stairwell::Server::StudioContexts.new(store: store, clock: CLOCK, settings: SETTINGS)

  LOG = StringIO.new

  # Nothing is left of the spec before; today is a Wednesday.
  def empty
    OWNER[*TABLES].truncate(cascade: true, restart: true)
    Stairwell::Server::Remembered::OF_PROCESS.clear
    self.now = Time.utc(2027, 3, 3, 12)
    LOG.truncate(0)
    LOG.rewind
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
