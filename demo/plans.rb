# frozen_string_literal: true

require "stairwell"

module Demo
  # Sixteen weeks as a teacher would read them, of invented students and pieces: what each is an
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
          "One section was shown at the lesson. Each day is short, two new things begin a day at the most, and what is left of the minutes goes to what begins next and to playing again.",
          child.then { |one| assigned(one, :weir) }
        ),
        example(
          "The same child at the second lesson",
          "What was learnt first is kept beside what is new, and each join stands behind its section.",
          child.then { |one| live(assigned(one, :weir), 14) }
        ),
        example(
          "In the order of the piece",
          "Section A first, then B: the order in which a page is read.",
          reader.then { |one| assigned(one, :lock) }
        ),
        example(
          "The hardest section first",
          "B is the hardest and begins; its hard bars come first in the day, while one is fresh.",
          reader.then { |one| assigned(one, :lock, "section_order" => "hardest") }
        ),
        example(
          "In the teacher's own order",
          "The end of the piece first, as the teacher said.",
          reader.then { |one| assigned(one, :lock, "section_order" => %w[C A1]) }
        ),
        example(
          "Soonest ready",
          "Whatever most later work waits for goes first, so that the whole is ready as soon as it can be.",
          reader.then { |one| assigned(one, :lock, "section_order" => "soonest") }
        ),
        example(
          "A light week",
          "Only what is needed: the same steps as in a full week, and nothing besides.",
          reader(day_use: :light).then { |one| live(assigned(one, :lock), 14) }
        ),
        example(
          "The usual chart",
          "Everything in hand, every day; on short days three times instead of five, so that nothing is left out, and what is learnt stays beside it.",
          reader(day_use: :flat, minutes_a_day: 10, begin_per_day: 4).then do |one|
            live(assigned(one, :lock), 14)
          end
        ),
        example(
          "Two pieces",
          "They alternate within the day, so that no hand is tired by one of them.",
          reader(minutes_a_day: 30).then { |one| assigned(assigned(one, :weir), :lock) }
        ),
        example(
          "A concert in three weeks",
          "The piece that would be late in its turn goes first, and says so.",
          reader.then { |one| assigned(assigned(one, :reach), :weir, due: TODAY + 21) }
        ),
        example(
          "After a lesson at which a step did not go",
          "The step comes back in an easier form first; what rests on it is held until it goes again.",
          reader.then { |one| not_yet(live(assigned(one, :weir), 14)) }
        ),
        example(
          "Away for most of the week",
          "Two days are left: what was begun goes on, and little begins.",
          reader(away: away(TODAY + 1, TODAY + 4)).then { |one| live(assigned(one, :lock), 14) }
        ),
        example(
          "Ten minutes a day",
          "Little, but every day something that is whole: no step is cut in two.",
          reader(minutes_a_day: 10).then { |one| live(assigned(one, :lock), 14) }
        ),
        example(
          "Forty-five minutes and three pieces",
          "A long day of few, larger things; older sections keep their place.",
          reader(minutes_a_day: 45, begin_per_day: 4).then do |one|
            live(%i[weir lock reach].inject(one) { |all, key| assigned(all, key) }, 7)
          end
        ),
        example(
          "Nearly done",
          "The whole piece without a stop, then up the marks of the metronome; what is steady is kept.",
          reader.then { |one| live(assigned(one, :weir), 14) }
        ),
        example(
          "A student who takes longer than estimated",
          "Taps say that a repetition takes half as long again: fewer steps stand in the same minutes, and the dates allow for it.",
          reader.then { |one| live(assigned(one, :lock), 14, takes: 1.5) }
        )
      ]
    end

    # @return [String] Markdown
    def text
      parts =
        all.each_with_index.map do |one, at|
          "## #{at + 1}. #{one.title}\n\n*#{one.why}*\n\n#{week(one.record)}"
        end
      "# Sixteen weeks\n\nEvery week as a teacher would read it: students, books and pieces are invented. `bin/plans` writes this page anew; a test holds it against what the planner does.\n\n#{parts.join("\n\n")}\n"
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
            tapped_at: moment(record.today, at * seconds)
          )
        end
      record.with_piece(record.piece(item.assignment_id).after(*marks)).with(
        practised_on: record.practised_on | [record.today]
      )
    end

    # Three steps are heard, and the next section is shown.
    def lesson(record)
      tried =
        record.pieces.flat_map do |piece|
          piece
            .progress
            .standings
            .values
            .select { |one| one.state == :begun }
            .map { |one| [piece.id, one.step.id] }
        end
      record =
        tried
          .first(3)
          .inject(record) do |all, (id, step)|
            Studio.hear(
              all,
              assignment_id: id,
              step_id: step,
              result: :steady,
              key: "#{id} #{step} #{all.today}"
            ).record
          end
      waiting =
        record
          .pieces
          .filter_map do |piece|
            piece
              .progress
              .introductions
              .find { |_, shown| !shown }
              &.then { |what, _| [piece.id, what] }
          end
          .first
      if waiting
        record =
          Studio.introduce(
            record,
            assignment_id: waiting.first,
            what: waiting.last,
            introduced: true,
            key: "#{waiting} #{record.today}"
          ).record
      end
      Studio.plan(record, from: record.today + 1).record
    end

    def not_yet(record)
      known =
        record.pieces.first.progress.standings.values.find do |one|
          one.step.id.end_with?("right") && one.done?
        end
      Studio.hear(
        record,
        assignment_id: record.pieces.first.id,
        step_id: known.step.id,
        result: :not_yet,
        key: "not yet"
      ).record
    end

    def week(record)
      week = record.weeks.newest
      several = record.pieces.size > 1
      [*week.days.map { |day| day(day, several) }, *week.limits.map { |one| "> #{one.why}" }].join(
        "\n"
      )
    end

    def day(day, several)
      items = [
        *day.warm_ups.map { |one| "#{one.title} (#{minutes(one.minutes)})" },
        *day.items.map { |one| item(one, several) }
      ]
      "- **#{Stairwell::Phrase.day(day.date, :short_weekday)} #{day.date.day} Mar**, #{minutes(day.minutes)} of #{minutes(day.budget)}: #{items.join(" · ")}"
    end

    def item(one, several)
      times = "#{one.repetitions}×" if one.repetitions
      "#{one.begins ? "**#{one.title}**" : one.title}#{" (#{one.piece})" if several && one.piece} #{times} (#{[minutes(one.minutes), { review: "to keep it", more: "while there is time", run: "once through" }[one.kind]].compact.join(", ")})"
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
                         :not_yet,
                         :week,
                         :day,
                         :item,
                         :minutes
  end
end
