# frozen_string_literal: true

require "securerandom"

module Demo
  # Some weeks of one student, lived in memory and written down at the end: days of
  # practice, lessons with results and recaps, sections shown, pieces passed and the
  # next ones given. Chance comes from a seed.
  class Life
    Server = Stairwell::Server
    # Share of planned days that are kept, and of steps that go on a kept day.
    ADHERENCE = {well: 0.93, middling: 0.72, stuck: 0.38}.freeze
    STRUGGLE = {well: 0.04, middling: 0.12, stuck: 0.3}.freeze
    RESULTS = {
      well: %i[steady secure secure steady shaky], middling: %i[shaky steady not_yet steady], stuck: %i[not_yet shaky not_yet shaky]
    }.freeze
    # Steps heard at a lesson, at the most; and pieces in hand at once.
    HEARD = 5
    IN_HAND = 2

    # @param desk_at [Proc] gives a desk on a date
    # @param student [Hash] row
    # @param pieces [Array<Hash>] gifts, given one after another
    def initialize(desk_at, student, pieces, routine:, ability:, random:)
      @desk_at = desk_at
      @student = student
      @waiting = pieces
      @routine = routine
      @ability = ability
      @random = random
      @rows = Hash.new { |all, table| all[table] = [] }
      @events = Hash.new { |all, id| all[id] = [] }
      @second = 0
    end

    # @param dates [Enumerable<Date>]
    # @return [void]
    def live(dates)
      give(dates.first)
      dates.each do |date|
        practise(date)
        lesson(date) if date.wday == @student[:lesson_weekday]
      end
      write(dates.last)
    end

    private

    def desk(date) = @desk_at.call(date)

    def give(date)
      while @waiting.any? && in_hand(date).size < IN_HAND && (in_hand(date).empty? || in_hand(date).all? { |one| one.progress.share > 0.45 })
        Server::Services::Giving.new(desk(date), @student).give(@waiting.shift.merge(routine: @routine, hand_order: @student[:hand_order]))
        @loaded = nil
      end
      plan(date)
    end

    # The pieces with what happened so far, which is not written down yet.
    def in_hand(date)
      @loaded ||= Server::Models::Assignments.new(desk(date)).of_student(@student[:id])
      shown = Server::Models::Happened.new(desk(date)).by_assignment([@student[:id]])
      @loaded.map { |one| one.with(progress: Stairwell::Progress.piece(one.progress.own, shown.fetch(one.id, []) + @events[one.id], introduce_first: one.row[:introduce_first])) }
    end

    def plan(date)
      load = Server::Services::Workload.new(desk(date), @student, given: in_hand(date), from: date + 1)
      @shown = Server::Views::Week.to_h(Stairwell::Planning.week(**load.week), load)
      @week = JSON.parse(JSON.generate(@shown))
      @rows[:week_plans] << {starts: date + 1, next_lesson: load.next_lesson, plan: Sequel.pg_jsonb(@week), made_at: moment(date)}
    end

    def moment(date) = Time.utc(date.year, date.month, date.day, 12) + (@second += 1)

    def uuid = @random.bytes(16).unpack1("H*").then { |hex| [hex[0, 8], hex[8, 4], "4#{hex[13, 3]}", "8#{hex[17, 3]}", hex[20, 12]].join("-") }

    def practise(date)
      day = @week["days"].find { |one| one["date"] == date.to_s }
      return unless day && @random.rand < ADHERENCE[@ability]

      day["items"].select { |item| item["step_id"] }.each do |item|
        done = (@random.rand < ADHERENCE[@ability]) ? item["repetitions"] : @random.rand(item["repetitions"])
        done.times { mark(item, date, :repetition) }
        mark(item, date, :struggle) if done.positive? && @random.rand < STRUGGLE[@ability]
      end
    end

    def mark(item, date, kind)
      at, key = moment(date), uuid
      @events[item["assignment_id"]] << Stairwell::Progress::Mark.new(key: key, step_id: item["step_id"], date: date, kind: kind, at: at)
      @rows[:practice_marks] << {assignment_id: item["assignment_id"], step_id: item["step_id"], key: key, day: date, kind: kind.to_s, made_at: at}
    end

    def lesson(date)
      heard = in_hand(date).flat_map { |given| hear(given, date) }
      in_hand(date).each { |given| teach(given, date) }
      pass(date)
      give(date)
      @rows[:lessons] << {day: date, recap: Server::Services::RecapWriter.new(desk(date), @student, heard, @shown).to_s, notes: "", opened_by: @student[:teacher_id], opened_at: moment(date), finished_by: @student[:teacher_id], finished_at: moment(date)}
    end

    def hear(given, date)
      tried = given.progress.standings.values.select { |one| one.credited.positive? && !one.done? }.first((HEARD / 2.0).ceil)
      tried.map do |one|
        result, at = RESULTS[@ability].sample(random: @random), moment(date)
        @events[given.id] << Stairwell::Progress::LessonResult.new(step_id: one.step.id, date: date, result: result, at: at)
        @rows[:lesson_results] << {assignment_id: given.id, step_id: one.step.id, key: uuid, day: date, result: result.to_s, heard_by: @student[:teacher_id], made_at: at}
        {title: one.step.title, result: result.to_s, simplification: nil}
      end
    end

    # The next section is shown once the last one is under way.
    def teach(given, date)
      waiting, shown = given.progress.introductions.partition { |_, introduced| !introduced }.map { |all| all.map(&:first) }
      return if waiting.empty? || given.progress.standings.values.none? { |one| one.step.section == shown.last && one.credited.positive? }

      at = moment(date)
      @events[given.id] << Stairwell::Progress::Introduction.new(what: waiting.first, introduced: true, at: at)
      @rows[:introductions] << {assignment_id: given.id, what: waiting.first, introduced: true, key: uuid, day: date, made_by: @student[:teacher_id], made_at: at}
    end

    # What is nearly all steady is passed, and makes room for the next piece.
    def pass(date)
      in_hand(date).select { |one| one.progress.share > 0.97 }.each do |given|
        Server::Services::Giving.new(desk(date), @student).close(given.id, "passed")
        @loaded = nil
      end
    end

    # Everything at once, a table at a time.
    def write(date)
      desk = desk(date)
      @rows.each do |table, rows|
        desk.db[table].multi_insert(rows.map { |row| {studio_id: desk.studio_id, student_id: @student[:id], **row} })
      end
    end
  end
end
