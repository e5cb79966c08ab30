# frozen_string_literal: true

require "stairwell"

module Demo
  # Twelve weeks as a teacher would read them, of invented students and pieces: what each is an
  # example of, and why it is good. `bin/plans` writes them to docs/plans.md.
  module Plans
    Studio = Stairwell::Studio
    Progress = Stairwell::Progress

    # @!attribute title what it is an example of
    # @!attribute why why it is good
    # @!attribute record [Studio::Record] whose week it is
    Example = Struct.new(:title, :why, :record, keyword_init: true)

    # A lesson day; the week after it is shown.
    TODAY = Date.new(2027, 3, 3)

    PAGES = {
      weir:
        "title: Eel Weir\nbook: Low Water\npage 4: 4 4\ntime: 4/4\ntempo: target 72\nsection A: 1-4\nsection B: 5-8",
      lock:
        "title: The Lock Gate\nbook: Low Water\npage 12: 4 4 4 4\ntime: 3/4\ntempo: target 84\nsection A: 1-4\nsection B: 5-8 difficulty 5\nsection A1: 9-12 like A except 12\nsection C: 13-16\nhard: 7-8",
      reach:
        "title: Long Reach\nbook: Low Water\npage 20: 4 4 4 4 4 4\ntime: 4/4\ntempo: target 96\nsection A: 1-8\nsection B: 9-16 difficulty 4\nsection C: 17-24 like A moved"
    }.freeze

    module_function

    # @return [Array<Example>]
    def all
      [
        example(
          "The first week of a new piece, for a child",
          "Three rows. What is new is played every day, and the ladder of stages gets shorter from day to day.",
          child.then { |one| lesson(assigned(one, :weir)) }
        ),
        example(
          "The same child two weeks later",
          "The first section goes and is kept fresh until it goes straight into the second.",
          child.then { |one| live(assigned(one, :weir), 14) }
        ),
        example(
          "In the order of the piece",
          "Two sections of four bars share a row: every right hand, then every left hand.",
          reader.then { |one| assigned(one, :lock) }
        ),
        example(
          "The hardest section first",
          "B is the hardest and is learnt first.",
          reader.then { |one| assigned(one, :lock, "section_order" => "hardest") }
        ),
        example(
          "In the teacher's own order",
          "The end of the piece first, as the teacher said.",
          reader.then { |one| assigned(one, :lock, "section_order" => %w[C A1]) }
        ),
        example(
          "Two pieces",
          "Each has a row for what is new; from the beginning they are played on different days.",
          reader(minutes_a_day: 30).then { |one| live(assigned(assigned(one, :weir), :lock), 7) }
        ),
        example(
          "After a lesson at which a section did not go",
          "It comes back in an easier form first; what rests on it waits.",
          reader.then { |one| not_yet(live(assigned(one, :lock), 7)) }
        ),
        example(
          "Away for most of the week",
          "Two days are left: the path goes on as far as they reach.",
          reader(away: away(TODAY + 1, TODAY + 4)).then { |one| live(assigned(one, :lock), 7) }
        ),
        example(
          "Ten minutes a day",
          "Three times instead of five, and the same rows.",
          reader(minutes_a_day: 10).then { |one| live(assigned(one, :lock), 7) }
        ),
        example(
          "Forty-five minutes and three pieces",
          "Two new rows at the most, so that a family can hold the week in the head.",
          reader(minutes_a_day: 45).then do |one|
            live(%i[weir lock reach].inject(one) { |all, key| assigned(all, key) }, 7)
          end
        ),
        example(
          "Nearly done",
          "The whole piece without a stop, then up the marks of the metronome.",
          reader.then { |one| live(assigned(one, :weir), 14) }
        ),
        example(
          "A student who takes longer than estimated",
          "Taps say that a repetition takes half as long again: the same rows, fewer times.",
          reader(minutes_a_day: 15).then { |one| live(assigned(one, :lock), 7, takes: 1.5) }
        )
      ]
    end

    # @return [String] Markdown
    def text
      parts =
        all.each_with_index.map do |one, at|
          "## #{at + 1}. #{one.title}\n\n*#{one.why}*\n\n#{week(one.record)}"
        end
      "# Twelve weeks\n\nEvery week as a teacher would read it, with the recap that goes with it: students, books and pieces are invented. Ten recaps stand beside those a teacher would write in [recaps](recaps.md). `bin/plans` writes this page anew; a test holds it against what the planner does. A diamond marks the rows for a day with little time; RH is the right hand, LH the left, HT both together.\n\n#{parts.join("\n\n")}\n"
    end

    def example(title, why, record) = Example.new(title: title, why: why, record: record)

    def child =
      student(
        name: "Pia",
        minutes_a_day: 12,
        practice_days: [0, 1, 4, 5, 6],
        begin_per_day: 2,
        child: true,
        introduce_first: true,
        reads: false
      )

    def reader(**said) =
      student(
        name: "Tam",
        minutes_a_day: 20,
        practice_days: [0, 1, 4, 5, 6],
        begin_per_day: 2,
        **said
      )

    def away(from, to) = Stairwell::Planning::Away.new(stretches: [from..to])

    def student(**said)
      student =
        Studio::Student.new(
          id: 1,
          lesson_weekday: TODAY.wday,
          lesson_time: "16:30",
          hand_order: "right",
          **said
        )
      Studio::Record.new(
        today: TODAY,
        moment: moment(TODAY),
        settings: Studio::Settings.new(name: "Quay Street"),
        student: student
      )
    end

    def moment(date, second = 0) = Time.utc(date.year, date.month, date.day, 16) + second

    # @param due [Date, nil]
    def assigned(record, page, due: nil, **choices)
      map = Stairwell::Formats::PageScript.read!(PAGES.fetch(page))
      asked =
        Studio::Assignment.new(
          piece_id: page.hash,
          title: map.title,
          revision: 1,
          routine: "hand_by_hand",
          hand_order: "right",
          target_tempo: map.target_tempo,
          due_on: due,
          choices: choices.transform_keys(&:to_s),
          page: Studio::Page.new(document: JSON.generate(Stairwell::Score::Document.dump(map)))
        )
      Studio.assign(record, asked, id: record.pieces.size + 1, key: "first of #{page}").record
    end

    # Practises every day that is planned and is heard at each lesson, for so many days before
    # today; then the week that follows is planned.
    # @param takes [Numeric] what a repetition takes beside the estimate
    def live(record, days, takes: 1)
      begun = TODAY - days
      record = record.with(pieces: record.pieces.map { |one| one.with(assigned_on: begun) })
      record =
        Studio.plan(
          record.with(today: begun, moment: moment(begun), weeks: Studio::Weeks.new)
        ).record
      ((begun + 1)..TODAY).each do |date|
        record =
          record.with(today: date, moment: moment(date), heard_today: {}, introduced_today: [])
        record = record.timetable.held?(date) ? lesson(record) : practised(record, takes)
      end
      Studio.plan(record).record
    end

    def practised(record, takes)
      if record.week&.day(record.today).to_a.empty?
        record
      else
        record.week.day(record.today).steps.inject(record) { |all, item| tapped(all, item, takes) }
      end
    end

    def tapped(record, item, takes)
      step = record.standing(item).step
      seconds =
        Stairwell::Practice::Estimate.seconds(
          counts: step.counts,
          tempo: step.tempo || Stairwell::Constants::ASSUMED_TEMPO
        ) * takes
      marks =
        Array.new(item.repetitions) do |at|
          Progress::Mark.new(
            key: "#{item.id} #{record.today} #{at}",
            step_id: item.step_id,
            date: record.today,
            kind: :repetition,
            at: moment(record.today, at),
            asked: item.repetitions,
            tapped_at: moment(record.today, at * seconds)
          )
        end
      record.with_piece(record.piece(item.assignment_id).after(*marks)).with(
        practised_on: record.practised_on | [record.today]
      )
    end

    # What each section in hand has come to is heard, and about eight bars are introduced.
    def lesson(record)
      record =
        tried(record).inject(record) do |all, (id, step)|
          Studio.hear(
            all,
            assignment_id: id,
            step_id: step,
            result: :steady,
            key: "#{id} #{step} #{all.today}"
          ).record
        end
      record =
        waiting(record).inject(record) do |all, (id, what)|
          Studio.introduce(
            all,
            assignment_id: id,
            what: what,
            introduced: true,
            key: "#{id} #{what} #{all.today}"
          ).record
        end
      Studio.plan(record, from: record.today + 1).record
    end

    def tried(record) =
      record.pieces.flat_map do |piece|
        piece
          .progress
          .standings
          .values
          .select { |one| one.days.any? && one.step.section }
          .group_by { |one| one.step.section }
          .map { |_, all| [piece.id, all.last.step.id] }
      end

    # Four bars of each piece, as for who can't read.
    def waiting(record) =
      record.pieces.filter_map do |piece|
        what, = piece.progress.introductions.find { |_, shown| !shown }
        [piece.id, what] if what
      end

    def not_yet(record)
      piece = record.pieces.first
      played = piece.progress.standings.values.select { |one| one.step.stage == :together }
      hard = played.find { |one| one.days.any? }
      Studio.hear(
        record,
        assignment_id: piece.id,
        step_id: hard.step.id,
        result: :not_yet,
        key: "not yet"
      ).record
    end

    def week(record)
      week = record.weeks.newest
      several = week.rows.filter_map(&:piece).uniq.size > 1
      head = week.days.each_with_index.map { |day, at| day(day, at + 1) }
      rows = week.rows.map { |row| row(row, week, several) }
      recap = Studio::LessonRecap.write(record, Studio::LessonSteps.new(record).to_a, week)
      [
        "| | #{head.join(" | ")} |",
        "|---|#{"---|" * head.size}",
        *rows,
        "",
        *recap.lines(chomp: true).map { |line| "> #{line}".rstrip }
      ].join("\n")
    end

    def day(day, number) =
      "Day #{number}, #{Stairwell::Phrase.day(day.date, :short_weekday)}, #{minutes(day.minutes)}"

    def row(row, week, several)
      title = (several && row.piece) ? "#{row.piece}: #{row.title}" : row.title.to_s
      cells =
        week.days.map do |day|
          items = day.in_row(row.id)
          several =
            items.filter_map { |item| item.section if item.respond_to?(:section) }.uniq.size > 1
          items.map { |item| cell(item, several && row.kind != :grow) }.uniq.join(", ")
        end
      "| #{"◆ " if row.short_day}#{title} | #{cells.join(" | ")} |"
    end

    def cell(item, sections)
      return minutes(item.minutes).to_s unless item.respond_to?(:step_id) && item.step_id

      said = [(item.section if sections), item.stage, "×#{item.repetitions}"].compact.join(" ")
      (item.kind == :step && item.tempo) ? "#{said} at #{item.tempo}" : said
    end

    def minutes(value) = Stairwell::Units.minutes(value)
    private_class_method :example,
                         :child,
                         :reader,
                         :away,
                         :student,
                         :moment,
                         :assigned,
                         :live,
                         :practised,
                         :tapped,
                         :lesson,
                         :tried,
                         :waiting,
                         :not_yet,
                         :week,
                         :day,
                         :row,
                         :cell,
                         :minutes
  end
end
