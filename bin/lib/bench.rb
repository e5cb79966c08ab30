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

# Times blocks and prints rows.
class Bench
  ROUNDS = 9

  def median(rounds = ROUNDS) = Array.new(rounds) { Benchmark.realtime { yield } }.sort[rounds / 2]

  def row(name, ours, reference, against)
    puts format("%-52s %9.2f ms  %9.2f ms  %8.2f ×  %s", name, ours * 1000, reference * 1000, ours / reference, against)
  end

  def call
    puts "#{" " * 61}ours     reference       ratio"
    [20, 200, 2_000].each { |bars| reading(bars) }
    drafting
    planning
    studio
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
    toolkit.setOptions({ breaks: "none" });
    const score = readFileSync(0, "utf8");
    const times = [];
    let played = 0;
    const rounds = score.length > 1_000_000 ? 3 : 9;
    for (let round = 0; round < rounds; round += 1) {
      const start = performance.now();
      toolkit.loadData(score);
      played = toolkit.renderToTimemap({ includeMeasures: true }).filter((entry) => entry.measureOn).length;
      times.push(performance.now() - start);
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
    row("read and unfold #{count} bars (#{played} played)", ours, theirs["median"] / 1000, "verovio, the same file to its timemap")
  end

  # A click on the page: its statement into the script, and the page drawn from
  # it again; the reference is reading the same script once.
  def drafting
    map = Demo::Pieces.slow_ferry.map
    script = Stairwell::Formats::PageScript.write(map)
    ours = median do
      changed = Stairwell::Formats::PageScript::Edit.new(script).call(put: ["fine: 8"])
      Stairwell::Server::Views::Piece.new(Stairwell::Formats::PageScript.read(changed).map.with(notes: map.notes)).to_h
    end
    row("a click: statement in, page out", ours, median { Stairwell::Formats::PageScript.read(script) }, "reading the script once")
  end

  # One student's week over a piece of seven sections; the reference is making
  # the steps it plans.
  def planning
    map = Demo::Pieces.slow_ferry.map
    script = [Stairwell::Formats::PageScript.write(map), *Demo::Pieces.slow_ferry.sections.map { |one| "section #{one}" }].join("\n")
    map = Stairwell::Formats::PageScript.read!(script)
    steps = Stairwell::Practice.steps(map)
    tasks = Stairwell::Progress.piece(steps, []).tasks
    practice = Stairwell::Planning::Practice.new(weekdays: [0, 3, 4, 5, 6], minutes: 20r, begin_per_day: 2)
    from = Date.new(2027, 3, 3)
    ours = median { Stairwell::Planning.week(tasks: tasks, practice: practice, from: from, next_lesson: from + 6) }
    finish = -> { Stairwell::Planning.finish(tasks: tasks, practice: practice, from: from, next_lesson: from + 6) }
    week = median { Stairwell::Planning.week(tasks: tasks, practice: practice, from: from, next_lesson: from + 6) }
    row("a forecast of 200 futures", median { Stairwell::Planning.forecast(tasks: tasks, practice: practice, from: from, next_lesson: from + 6, adherence: 0.7) }, week, "planning its week")
    days = finish.call
    puts format("%-52s %9d days %9d days %8.2f ×  %s", "practice days to finish", days.days, days.lower_bound, days.days / days.lower_bound.to_f, "the lower bound")
    row("plan a week (#{tasks.size} steps)", ours, median { Stairwell::Practice.steps(map) }, "making its steps from the map")
  end

  # The studio page's request beside the bare SQL that it rests on.
  def studio
    settings = Stairwell::Server::Settings.from_env
    Sequel.connect(settings.owner_url) { |db| db.run("DROP SCHEMA public CASCADE; CREATE SCHEMA public") }
    Stairwell::Prepare.call(settings)
    Demo::Studio.new(settings).make
    store = Stairwell::Server::Store.new(settings.app_url)
    account = store.db[:accounts].get(:id)
    desks = Stairwell::Server::Desks.new(store: store, clock: Stairwell::Server::Clock.new, settings: settings)
    ours = median { desks.for_account(account) { |desk| JSON.generate(Stairwell::Server::Services::Overview.new(desk).rows) } }
    tables = %i[students assignments practice_marks lesson_results week_plans]
    rows = desks.for_account(account) { |desk| tables.sum { |table| desk[table].count } }
    bare = median { desks.for_account(account) { |desk| tables.each { |table| desk[table].all } } }
    row("studio page (#{rows} rows)", ours, bare, "its rows by bare SQL")
  end
end

Bench.new.call
