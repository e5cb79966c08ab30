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
require_relative "crowd"
require_relative "load"
require_relative "many_studios"
require_relative "tapping"

# Times blocks and prints rows.
class Bench
  include Crowd
  include Load
  include Tapping

  ROUNDS = 9

  def median(rounds = ROUNDS) = Array.new(rounds) { Benchmark.realtime { yield } }.sort[rounds / 2]

  def row(name, ours, reference, against)
    puts format("%-52s %9.2f ms  %9.2f ms  %8.2f ×  %s", name, ours * 1000, reference * 1000, ours / reference, against)
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

  # A score with notes, repeats and endings.
  def score(count)
    notes = (1..count).to_h { |bar| [bar, {right: melody(bar), left: melody(bar + 3)}] }
    repeats = (0...count / 10).map { |at| Stairwell::Score::Repeat.new(from: at * 10 + 1, to: at * 10 + 8) }
    endings = (0...count / 10).flat_map { |at|
      [[[1], 8], [[2], 9]].map { |passes, bar| Stairwell::Score::Ending.new(passes: passes, from: at * 10 + bar, to: at * 10 + bar) }
    }
    map = Stairwell::Score::Map.new(
      title: "#{count} bars", bars: Stairwell::Score.bars(count, meters: [Stairwell::Score::Meter.new(beats: 4, unit: 4)]),
      notes: notes, repeats: repeats, endings: endings
    )
    Stairwell::Formats::MusicXML.write(map)
  end

  def melody(bar)
    (0...4).map do |beat|
      pitch = Stairwell::Score::Pitch.new(step: Stairwell::Score::Pitch::STEPS[(bar + beat) % 7], octave: 4)
      Stairwell::Score::Note.new(onset: beat/4r, length: 1/4r, pitch: pitch)
    end
  end

  VEROVIO = <<~JS
    import { readFileSync } from "node:fs";
    import createVerovioModule from "verovio/wasm";
    import { VerovioToolkit } from "verovio/esm";
    const toolkit = new VerovioToolkit(await createVerovioModule());
    const score = readFileSync(0, "utf8");
    const times = [];
    let played = 0;
    const rounds = score.length > 1_000_000 ? 3 : 9;
    for (let round = 0; round < rounds; round += 1) {
      const start = performance.now();
      toolkit.loadData(score);
      times.push(performance.now() - start);
      played = toolkit.renderToTimemap({ includeMeasures: true }).filter((entry) => entry.measureOn).length;
    }
    process.stdout.write(JSON.stringify({ median: times.sort((a, b) => a - b)[(rounds - 1) / 2], played }));
  JS

  def reading(count)
    text = score(count)
    ours = median((count > 1_000) ? 3 : ROUNDS) { Stairwell::Roadmap.read(Stairwell::Formats::MusicXML.read(text)).bars_played }
    out, err, status = Open3.capture3("node", "--input-type=module", "-e", VEROVIO, stdin_data: text, chdir: File.expand_path("../../web", __dir__))
    abort err unless status.success?
    theirs = JSON.parse(out)
    played = Stairwell::Roadmap.read(Stairwell::Formats::MusicXML.read(text)).bars_played
    abort "not the same playing order" unless theirs["played"] == played
    row("read and unfold #{count} bars (#{played} played)", ours, theirs["median"] / 1000, "verovio, its load of the same file alone, as it comes")
  end

  # What is looked at before a piece is played may grow no faster than its bars.
  def surveying
    short, long = [200, 2_000].map { |bars| Stairwell::Formats::MusicXML.read(score(bars)) }
    ours, theirs = [[long, 3], [short, ROUNDS]].map { |map, rounds| median(rounds) { Stairwell::Sections.survey(map).summary } }
    row("the survey of 2000 bars", ours, theirs, "of 200 bars; at most 12 ×")
  end

  # A click on the page: its statement into the script, and the page drawn from
  # it again; the reference is reading the same script once.
  def drafting
    map = Demo::Pieces.slow_ferry.map
    script = Stairwell::Formats::PageScript.write(map)
    ours = median do
      changed = Stairwell::Formats::PageScript::Edit.new(script).call(**Stairwell::Formats::PageScript::Clicks.new(Stairwell::Formats::PageScript.read(script).map).sign(key: :fine, from: 8, to: 8))
      Stairwell::Server::Features::PageJson.new(Stairwell::Formats::PageScript.read(changed).map.with(notes: map.notes)).to_h
    end
    row("a click: statement in, page out", ours, median { Stairwell::Formats::PageScript.read(script) }, "reading the script once")
  end

  # What the planner may take: milliseconds in-process. The bounds we set ourselves.
  WEEK, FORECAST = 0.050, 0.500

  # One student's week over three pieces, and a forecast of them; beside the bounds
  # and beside making the steps.
  def planning
    map = Stairwell::Formats::PageScript.read!([Stairwell::Formats::PageScript.write(Demo::Pieces.slow_ferry.map), *Demo::Pieces.slow_ferry.sections.map { |one| "section #{one}" }].join("\n"))
    progress = Stairwell::Progress.piece(Stairwell::Practice.steps(map), [])
    tasks = (1..3).flat_map { |piece| progress.tasks(prefix: "#{piece}/") }
    practice = Stairwell::Planning::Practice.new(weekdays: [0, 3, 4, 5, 6], minutes: 20r, begin_per_day: 2)
    from = Date.new(2027, 3, 3)
    all = {tasks: tasks, practice: practice, from: from, next_lesson: from + 6}
    week = median { Stairwell::Planning.week(**all) }
    row("plan a week (three pieces, #{tasks.size} steps)", week, WEEK, "the bound of 50 ms")
    row("a forecast of 200 futures of them", median { Stairwell::Planning.forecast(**all) }, FORECAST, "the bound of half a second")
    row("making the steps of one of them", median { Stairwell::Practice.steps(map) }, week, "planning the week of three")
    ten(progress, all)
    large
  end

  # Ten pieces beside one: a week may cost twelve times, a forecast ten times as much.
  def ten(progress, all)
    one, ten = [1, 10].map { |count| all.merge(tasks: (1..count).flat_map { |piece| progress.tasks(prefix: "#{piece}/") }) }
    {"a week" => [:week, 12], "a forecast" => [:forecast, 10]}.each do |name, (what, times)|
      ours, theirs = [ten, one].map { |work| median { Stairwell::Planning.public_send(what, **work) } }
      row("#{name} of ten pieces, #{ten[:tasks].size} steps", ours, theirs, "one piece, #{one[:tasks].size} steps; at most #{times} ×")
    end
  end

  # Large cases of forty steps: practice days to the end beside the lower bound.
  def large
    random = Random.new(5)
    days = Array.new(60) { forty(random) }.map { |tasks|
      practice = Stairwell::Planning::Practice.new(weekdays: [1, 2, 4, 5, 6], minutes: 30r, begin_per_day: 3)
      Stairwell::Planning.finish(tasks: tasks, practice: practice, from: Date.new(2027, 3, 3), next_lesson: Date.new(2027, 3, 10))
    }
    ours, bound = days.sum(&:days), days.sum(&:lower_bound)
    puts format("%-52s %9d days %9d days %8.3f ×  %s", "to finish forty steps, 60 cases together", ours, bound, ours / bound.to_f, "their lower bounds")
  end

  def forty(random)
    (1..40).map do |at|
      earlier = (1...at).map { |one| "s#{one}" }
      Stairwell::Planning::Task.new(id: "s#{at}", minutes: random.rand(2..10)/2r, good_days: random.rand(1..4), needs: earlier.last(8).sample(random.rand(0..2), random: random))
    end
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
      Sequel.connect(settings.owner_url) { |db| db.run("DROP SCHEMA public CASCADE; CREATE SCHEMA public") }
      Stairwell::Prepare.call(settings)
      Demo::Studio.new(settings).make
    end
  end

  # The studio page's request beside the bare SQL that it rests on.
  def studio
    settings = afresh
    store = Stairwell::Server::Store.new(settings.app_url)
    account = store.db[:accounts].get(:id)
    contexts = Stairwell::Server::StudioContexts.new(store: store, clock: Stairwell::Server::Clock.new, settings: settings)
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
    all = Benchmark.realtime { planner = planner_time { Stairwell::Server::Jobs::PlanStudio.allocate.run(context.studio_id, context.account_id, run[:id]) } }
    run = context.read { |tables| tables[:plan_runs].first(id: run[:id]) }
    abort "not everyone was planned: #{run}" unless run[:done] == run[:total]
    row("everyone's week in a job (#{run[:total]} students)", all, planner, "the planner's own time in it")
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
    beside("studio page #{within}", context) { JSON.generate(Stairwell::Server::Features::Overview.new(context).rows) }
    lessons = Stairwell::Server::Features::Lessons.new(context, context.read { |tables| tables[:students].min(:id) })
    step = lessons.show.then { |lesson| JSON.parse(JSON.generate(lesson)) }["steps"].first
    beside("lesson page #{within}", context) { JSON.generate(lessons.show) }
    beside("a result #{within}", context) do
      JSON.generate(lessons.hear(assignment_id: step["assignment_id"], step_id: step["id"], result: "shaky", key: SecureRandom.uuid))
    end
  end

  # What a request takes beside the statements it sends, sent again with nothing made of
  # their rows, three times, and what the planner takes of it: the bound we set ourselves. Statements that write are counted with
  # what they took.
  def beside(name, context)
    rounds = Array.new(5) do
      planner = 0.0
      statements = []
      db = context.store.db
      db.define_singleton_method(:log_connection_yield) { |sql, conn, args = nil, &work|
        started = Process.clock_gettime(Process::CLOCK_MONOTONIC)
        super(sql, conn, args, &work).tap { statements << [sql, Process.clock_gettime(Process::CLOCK_MONOTONIC) - started] }
      }
      all = Benchmark.realtime { planner = planner_time { yield } }
      db.singleton_class.remove_method(:log_connection_yield)
      [all, statements.sum { |_, took| took }, planner, statements.size]
    end
    all, sql, planner, count = rounds.sort_by(&:first)[2]
    row(name, all, 3 * sql + planner, format("3 × its %d statements bare (%.1f ms) + the planner (%.1f ms)", count, sql * 1000, planner * 1000))
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
