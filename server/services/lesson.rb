# frozen_string_literal: true

module Stairwell
  module Server
    module Services
      # A lesson: what was practised this week, what is heard today, and the
      # week that follows from it.
      class Lesson
        # What can be said beside a result.
        DETAILS = %i[cause bar stumbles tempo note].freeze

        def initialize(desk)
          @desk = desk
          @students = Models::Students.new(desk)
          @assignments = Models::Assignments.new(desk)
          @weeks = Models::Weeks.new(desk)
        end

        # @param changed [Array<String>] what the last result changed in the week
        # @return [Hash] see the contract's Lesson
        def show(id, changed: [])
          student = @students.find(id)
          given = @assignments.of_student(id)
          load = Workload.new(@desk, student, given: given, from: @desk.today + 1)
          plan = Planning.week(**load.week)
          week = Views::Week.to_h(plan, load)
          under_way = under_way(id)
          heard = Heard.new(@desk, given, under_way, load).rows
          {
            student: Views::Student.settings(student), today: @desk.today.to_s, practised: Practised.of(under_way, given).to_h,
            heard: heard, hear_first: heard.find { |one| one[:first] }&.slice(:title, :piece, :first), changed: changed,
            introductions: introductions(given), next_week: week, hand: Models::Overrides.new(@desk).shown(id, week[:next_lesson]),
            lent: Models::Lendings.new(@desk).out(id), lesson: Models::Lessons.new(@desk).show(id), recap: RecapWriter.new(@desk, student, heard, week).to_s,
            outlooks: Ahead.new(@desk, student, given).outlooks.map { |key, one| {piece: given.find { |each| each.id == key }.title, **one.slice(:middle, :cautious, :due_on, :late)} }
          }
        end

        # @param said [Hash] assignment_id:, step_id:, result:, key: (from the client;
        #   the same one twice counts once) and what else was heard: cause:, bar:
        #   (index in the piece), stumbles:, tempo:, note:
        # @return [Hash] the lesson, with what changed in the next week
        # @raise [Problem] 404 for a step the student does not have
        def hear(id, assignment_id:, step_id:, result:, key:, **said)
          student = @students.find(id)
          given = check(id, assignment_id, step_id)
          before = PlanWeek.new(@desk).preview(student, from: @desk.today + 1)
          @desk.db[:lesson_results].insert_conflict.insert(
            studio_id: @desk.studio_id, student_id: id, key: key, assignment_id: assignment_id, step_id: step_id,
            day: @desk.today, result: result, recorded_by: @desk.account_id, **said.slice(*DETAILS)
          )
          Spots.new(@desk, student).mark(given, said[:bar], result) if said[:bar]
          show(id, changed: WeekChange.words(before, PlanWeek.new(@desk).call(student, from: @desk.today + 1)))
        end

        # @return [Hash] {result:, why:} offered for what was counted
        def offer(id, assignment_id:, step_id:, stumbles:, tempo: nil)
          given = check(id, assignment_id, step_id)
          step = given.progress.standings.fetch(step_id).step
          Progress::Offer.of(
            stumbles: stumbles, bars: step.spans.sum(&:size), tempo: tempo, target_tempo: step.tempo, date: @desk.today, earlier: given.progress.results_of(step_id)
          ).to_h.then { |found| {result: found[:result].to_s, why: found[:why]} }
        end

        # Ticks of a paper chart: on these days all repetitions of a step were done;
        # or, taken back, none that were ticked here.
        # @param key [String] from the client; the same one twice counts once
        # @return [Hash] the lesson
        def tick(id, assignment_id:, step_id:, days:, done:, key:)
          standing = check(id, assignment_id, step_id).progress.standings.fetch(step_id)
          ticks = Ticks.new(@desk, id, assignment_id, step_id, key)
          days.map { |day| Date.iso8601(day) }.select { |day| day <= @desk.today }.each { |day| done ? ticks.add(day, standing) : ticks.take_back(day) }
          Models::Summaries.new(@desk).stale(id)
          show(id)
        rescue Date::Error
          raise Problem.new(422, "One of the days does not exist.", code: "date", field: "days")
        end

        private

        def under_way(id) = @weeks.under_way([id])[id]&.fetch(:plan)&.to_hash

        # Sections that open when they are shown, and what they are in.
        def introductions(given)
          given.flat_map { |one| one.progress.introductions.map { |what, introduced| {assignment_id: one.id, piece: one.title, what: what, introduced: introduced} } }
        end

        def check(student_id, assignment_id, step_id)
          given = @assignments.find(student_id, assignment_id)
          raise Problem.not_found("step in this piece") unless given.progress.standings.key?(step_id)

          given
        end
      end

      # Practice entered by the teacher from paper.
      class Ticks
        def initialize(desk, student_id, assignment_id, step_id, key)
          @desk = desk
          @student_id = student_id
          @own = {assignment_id: assignment_id, step_id: step_id}
          @key = key
        end

        # @return [void]
        def add(day, standing)
          missing = standing.step.repetitions - standing.days.fetch(day, {repetitions: 0})[:repetitions]
          missing.times { |at| insert(day, "repetition", name("#{day} #{at}")) }
        end

        # @return [void]
        def take_back(day)
          rows = @desk[:practice_marks].where(student_id: @student_id, day: day, kind: "repetition", **@own).exclude(entered_by: nil).select_map(:key)
          rows.each { |key| insert(day, "undo", name("undo #{key}"), undoes: key) }
        end

        private

        def insert(day, kind, key, **more)
          @desk.db[:practice_marks].insert_conflict.insert(
            studio_id: @desk.studio_id, student_id: @student_id, key: key, day: day, kind: kind, entered_by: @desk.account_id, **@own, **more
          )
        end

        # A key out of the client's own: the same edit makes the same keys.
        def name(text) = Digest::SHA1.hexdigest("#{@key} #{text}").then { |hex| [hex[0, 8], hex[8, 4], "5#{hex[13, 3]}", "8#{hex[17, 3]}", hex[20, 12]].join("-") }
      end

      # On how many of a week's practice days something was practised.
      class Practised
        # @param week [Hash, nil] as stored
        # @param given [Array<Models::Assignments::Given>]
        def self.of(week, given) = new(week, given)

        def initialize(week, given)
          @planned = week ? week["days"].map { |day| Date.parse(day["date"]) } : []
          @practised = given.flat_map { |one| one.progress.standings.values.flat_map { |standing| standing.days.keys } }.uniq
        end

        # @return [Hash] :done and :of, in days
        def to_h = {done: (@planned & @practised).size, of: @planned.size}

        # @param today [Date]
        # @return [Array(Integer, Integer)] days kept, of those that have gone by
        def until(today) = @planned.select { |date| date < today }.then { |gone| [(gone & @practised).size, gone.size] }
      end
    end
  end
end
