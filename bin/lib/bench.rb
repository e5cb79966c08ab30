# frozen_string_literal: true

# The measurements of bin/bench. Every row is a ratio beside a reference that
# is measured in the same run; medians of several rounds.

root = File.expand_path("../..", __dir__)
$LOAD_PATH.unshift(root, File.join(root, "core/lib"), File.join(root, "core/spec/support"))
require "benchmark"
require "json"
require "open3"
require "rack/mock"
require "db/prepare"
require "server/app"
require "demo/studio"
require_relative "bench_planning"
require_relative "bench_reading"
require_relative "crowd"
require_relative "load"
require_relative "many_studios"
require_relative "tapping"

# Times blocks and prints rows.
class Bench
  include BenchReading
  include BenchPlanning
  include Crowd
  include Load
  include Tapping

  ROUNDS = 9

  def median(rounds = ROUNDS) = Array.new(rounds) { Benchmark.realtime { yield } }.sort[rounds / 2]

  def row(name, ours, reference, against)
    puts format(
           "%-52s %9.2f ms  %9.2f ms  %8.2f ×  %s",
           name,
           ours * 1000,
           reference * 1000,
           ours / reference,
           against
         )
  end

  def call
    puts "#{" " * 61}ours     reference       ratio"
    [20, 200, 2_000].each { |bars| reading(bars) } unless ENV["SKIP"]
    surveying
    drafting
    planning
    studio
    at_once
  end

  private

  # A click on the page: its statement into the script, and the page drawn from
  # it again; the reference is reading the same script once.
  def drafting
    map = Demo::Pieces.slow_ferry.map
    script = Stairwell::Formats::PageScript.write(map)
    ours =
      median do
        changed =
          Stairwell::Formats::PageScript::Edit.new(script).call(
            **Stairwell::Formats::PageScript::Clicks.new(
              Stairwell::Formats::PageScript.read(script).map
            ).sign(key: :fine, from: 8, to: 8)
          )
        Stairwell::Server::Features::PageJson.new(
          Stairwell::Formats::PageScript.read(changed).map.with(notes: map.notes)
        ).to_h
      end
    row(
      "a click: statement in, page out",
      ours,
      median { Stairwell::Formats::PageScript.read(script) },
      "reading the script once"
    )
  end

  # Ten studios, so that there are two hundred people.
  def at_once
    settings = afresh
    Sequel.connect(settings.owner_url) { |db| ManyStudios.make(db, 10) }
    tapping(settings)
  end

  # @return [Stairwell::Server::Settings] of a database with the demo studio alone
  def afresh
    Stairwell::Server::Settings.from_env.tap do |settings|
      Sequel.connect(settings.owner_url) do |db|
        db.run("DROP SCHEMA public CASCADE; CREATE SCHEMA public")
      end
      Stairwell::Prepare.call(settings)
      Demo::Studio.new(settings).make
    end
  end

  # The studio page's request beside the bare SQL that it rests on.
  def studio
    settings = afresh
    store = Stairwell::Server::Store.new(settings.app_url)
    account = store.db[:accounts].get(:id)
    contexts =
      Stairwell::Server::StudioContexts.new(
        store: store,
        clock: Stairwell::Server::Clock.new,
        settings: settings
      )
    Stairwell::Server::Jobs.prepare(contexts)
    requests(Stairwell::Server.app(settings, store: store), settings)
    everyone(contexts.of_account(account), settings)
    [200, 2_000].each { |count| pages(contexts.of_account(account), settings, count) }
    store.db.disconnect
  end

  # Everyone's week in the background, for 200 students; the reference is what the
  # planner took of that.
  def everyone(context, settings)
    Sequel.connect(settings.owner_url) { |db| grow(db, 200) }
    Stairwell::Server::Features::StudioSettings.new(context).plan_everyone
    run = context.read { |tables| tables[:plan_runs].order(:id).last }
    planner = 0.0
    all =
      Benchmark.realtime do
        planner =
          planner_time do
            Stairwell::Server::Jobs::PlanStudio.allocate.run(
              context.studio_id,
              context.account_id,
              run[:id]
            )
          end
      end
    run = context.read { |tables| tables[:plan_runs].first(id: run[:id]) }
    abort "not everyone was planned: #{run}" unless run[:done] == run[:total]
    row(
      "everyone's week in a job (#{run[:total]} students)",
      all,
      planner,
      "the planner's own time in it"
    )
  end

  # The studio page, a lesson and a result, with many students and a million marks, each
  # beside the SQL it needs, sent bare, and the planner's own time. Summaries are fresh, as
  # they are on any day but the first minute.
  def pages(context, settings, count)
    Sequel.connect(settings.owner_url) do |db|
      grow(db, count)
      crowd(db, MARKS) if count >= 2_000
      everyone_summarised(db, context)
    end
    marks = context.read { |tables| tables[:practice_marks].count }
    within = "(of #{count} students, #{marks} marks)"
    beside("studio page #{within}", context) do
      JSON.generate(Stairwell::Server::Features::Overview.new(context).rows)
    end
    lessons =
      Stairwell::Server::Features::Lessons.new(
        context,
        context.read { |tables| tables[:students].min(:id) }
      )
    step = lessons.show.then { |lesson| JSON.parse(JSON.generate(lesson)) }["steps"].first
    beside("lesson page #{within}", context) { JSON.generate(lessons.show) }
    beside("a result #{within}", context) do
      JSON.generate(
        lessons.hear(
          assignment_id: step["assignment_id"],
          step_id: step["id"],
          result: "shaky",
          key: SecureRandom.uuid
        )
      )
    end
  end

  # What a request takes beside the statements it sends, sent again with nothing made of
  # their rows, three times, and what the planner takes of it: the bound we set ourselves.
  # Statements that write are counted with what they took.
  def beside(name, context)
    rounds =
      Array.new(5) do
        planner = 0.0
        statements = []
        db = context.store.db
        db.define_singleton_method(:log_connection_yield) do |sql, conn, args = nil, &work|
          started = Process.clock_gettime(Process::CLOCK_MONOTONIC)
          super(sql, conn, args, &work).tap do
            statements << [sql, Process.clock_gettime(Process::CLOCK_MONOTONIC) - started]
          end
        end
        all = Benchmark.realtime { planner = planner_time { yield } }
        db.singleton_class.remove_method(:log_connection_yield)
        [all, statements.sum { |_, took| took }, planner, statements.size]
      end
    all, sql, planner, count = rounds.sort_by(&:first)[2]
    row(
      name,
      all,
      3 * sql + planner,
      format(
        "3 × its %d statements bare (%.1f ms) + the planner (%.1f ms)",
        count,
        sql * 1000,
        planner * 1000
      )
    )
  end

  # Adds up what the planner takes: weeks that are planned and dates that are forecast,
  # with the making of what goes in.
  module Watched
    @total = 0.0
    class << self
      attr_accessor :total, :inside

      def add
        return yield if inside

        begin
          self.inside = true
          result = nil
          self.total += Benchmark.realtime { result = yield }
          result
        ensure
          self.inside = false
        end
      end
    end

    def ahead(...) = Watched.add { super }

    def to_h(...) = Watched.add { super }
  end
  Stairwell::Studio::PlanWeek.singleton_class.prepend(Watched)
  Stairwell::Studio::Outlooks.prepend(Watched)

  # @return [Float] seconds the planner took of a block
  def planner_time
    Watched.total = 0.0
    yield
    Watched.total
  end
end

Bench.new.call
