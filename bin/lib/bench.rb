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
    row("a forecast of 200 futures of them", median { Stairwell::Planning.forecast(**all, adherence: 0.7) }, FORECAST, "the bound of half a second")
    row("making the steps of one of them", median { Stairwell::Practice.steps(map) }, week, "planning the week of three")
    large
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

  # The studio page's request beside the bare SQL that it rests on.
  def studio
    settings = Stairwell::Server::Settings.from_env
    Sequel.connect(settings.owner_url) { |db| db.run("DROP SCHEMA public CASCADE; CREATE SCHEMA public") }
    Stairwell::Prepare.call(settings)
    Demo::Studio.new(settings).make
    store = Stairwell::Server::Store.new(settings.app_url)
    account = store.db[:accounts].get(:id)
    desks = Stairwell::Server::Desks.new(store: store, clock: Stairwell::Server::Clock.new, settings: settings)
    everyone(desks, account, settings)
  end

  # Everyone's week in the background, for 200 students; the reference is planning
  # as many weeks in-process, without database.
  def everyone(desks, account, settings)
    Sequel.connect(settings.owner_url) { |db| grow(db, 200) }
    Stairwell::Server::Jobs.prepare(desks)
    id = desks.for_account(account) { |desk| Stairwell::Server::Services::StudioDesk.new(desk).plan_everyone && desk[:plan_runs].max(:id) }
    studio_id = desks.for_account(account, &:studio_id)
    all = Benchmark.realtime { Stairwell::Server::Jobs::PlanStudio.allocate.run(studio_id, account, id) }
    loads = desks.for_account(account) { |desk| desk[:students].all.map { |row| Stairwell::Server::Services::Workload.new(desk, row).week } }
    abort "not everyone was planned" unless desks.for_account(account) { |desk| desk[:plan_runs].first(id: id) }[:done] == loads.size
    [200, 2_000].each { |count| pages(desks, account, settings, count) }
    row("everyone's week in a job (#{loads.size} students)", all, median(3) { loads.each { |load| Stairwell::Planning.week(**load) } }, "as many weeks in-process")
  end

  # The studio page and a lesson, with many students and a million marks, each beside
  # the rows it shows by bare SQL. Summaries are fresh, as they are on any day but
  # the first minute.
  def pages(desks, account, settings, count)
    Sequel.connect(settings.owner_url) do |db|
      grow(db, count)
      crowd(db, MARKS) if count >= 2_000
      db[:student_summaries].delete
    end
    desks.for_account(account) { |desk| Stairwell::Server::Services::Overview.new(desk).rows }
    Sequel.connect(settings.owner_url) { |db| everyone_summarised(db) }
    marks = desks.for_account(account) { |desk| desk[:practice_marks].count }
    page = median(5) { desks.for_account(account) { |desk| JSON.generate(Stairwell::Server::Services::Overview.new(desk).rows) } }
    bare = median(5) { desks.for_account(account) { |desk| desk[:students].all.size + desk[:student_summaries].all.size } }
    row("studio page (#{count} students, #{marks} marks)", page, bare, "its rows by bare SQL")
    id = desks.for_account(account) { |desk| desk[:students].min(:id) }
    lesson = median(5) { desks.for_account(account) { |desk| JSON.generate(Stairwell::Server::Services::Lesson.new(desk).show(id)) } }
    own = %i[assignments practice_marks lesson_results introductions week_plans]
    bare = median(5) { desks.for_account(account) { |desk| own.sum { |table| desk[table].where(student_id: id).all.size } } }
    row("lesson page (of #{count} students)", lesson, bare, "its rows by bare SQL")
  end

  MARKS = 1_000_000

  # Marks of students who were copied, until there are so many.
  def crowd(db, marks)
    missing = marks - db[:practice_marks].count
    return unless missing.positive?

    per = (missing / db[:assignments].count.to_f).ceil
    db.run(<<~SQL)
      INSERT INTO practice_marks (studio_id, student_id, assignment_id, key, step_id, day, kind)
      SELECT studio_id, student_id, id, gen_random_uuid(), steps -> 0 ->> 'id', current_date - (n % 80), 'repetition'
      FROM assignments, generate_series(1, #{per}) AS n WHERE student_id > (SELECT min(id) FROM students) LIMIT #{missing}
    SQL
    db.run("ANALYZE")
  end

  # As the background leaves them: a summary for each student.
  def everyone_summarised(db)
    db.run(<<~SQL)
      INSERT INTO student_summaries (studio_id, student_id, summary, computed_on)
      SELECT s.studio_id, s.id, k.summary, k.computed_on FROM students s, (SELECT * FROM student_summaries LIMIT 1) k
      ON CONFLICT DO NOTHING
    SQL
  end

  # More students like the demo's, with their pieces, weeks, marks and results: every
  # student there is, copied as a set, as often as it takes.
  # @param count [Integer] students in all
  def grow(db, count)
    until (missing = count - db[:students].count) <= 0
      db.run("CREATE TEMP TABLE twins AS SELECT id AS was, nextval(pg_get_serial_sequence('students', 'id')) AS id FROM students ORDER BY id LIMIT #{missing}")
      copy(db, :students, "students s JOIN twins t ON t.was = s.id", id: "t.id", name: "left(s.name, 40) || ' ' || t.id")
      db.run("CREATE TEMP TABLE given AS SELECT a.id AS was, nextval(pg_get_serial_sequence('assignments', 'id')) AS id FROM assignments a JOIN twins t ON t.was = a.student_id")
      copy(db, :assignments, "assignments s JOIN twins t ON t.was = s.student_id JOIN given g ON g.was = s.id", id: "g.id", student_id: "t.id")
      copy(db, :week_plans, "week_plans s JOIN twins t ON t.was = s.student_id", student_id: "t.id", without: [:id])
      %i[practice_marks lesson_results].each do |table|
        undo = "AND s.kind <> 'undo'" if table == :practice_marks
        copy(db, table, "#{table} s JOIN twins t ON t.was = s.student_id JOIN given g ON g.was = s.assignment_id #{undo}", student_id: "t.id", assignment_id: "g.id", key: "gen_random_uuid()")
      end
      db.run("DROP TABLE given; DROP TABLE twins")
    end
    db.run("ANALYZE")
  end

  # Rows again, with some columns changed.
  def copy(db, table, from, without: [], **changed)
    columns = db[table].columns - without
    values = columns.map { |column| changed.fetch(column) { "s.#{column}" } }
    db.run("INSERT INTO #{table} (#{columns.join(", ")}) OVERRIDING SYSTEM VALUE SELECT #{values.join(", ")} FROM #{from}")
  end
end

Bench.new.call
