# frozen_string_literal: true

module Stairwell
  module Server
    module Services
      # All one student has to do, as the planner takes it: steps of every piece,
      # reviews, warm-ups, other work and a run, and the days there are for them.
      class Workload
        # Something of a week that is no step: what it is called on screens.
        Line = Stairwell.value(:id, :title, :minutes, exercise: nil, one_of: [], piece: nil)

        # What each choice of warm-ups holds.
        WARM_UPS = {
          "none" => [], "five_finger" => [:five_finger], "scale" => [:scale], "scale_and_chords" => %i[scale chords], "progression" => [:progression]
        }.freeze
        FIRST = ["goes before the other pieces, as you chose", nil, "takes what the other pieces leave, as you chose"].freeze

        # @param student [Hash] row
        # @param today [Date]
        # @return [Date] what is given on a lesson day starts the day after
        def self.first_day(student, today) = (today.wday == student[:lesson_weekday]) ? today + 1 : today

        attr_reader :student, :given, :from, :next_lesson, :practice

        # @param desk [Desk]
        # @param student [Hash] row
        # @param given [Array<Models::Assignments::Given>]
        # @param from [Date] the first day that may be practised
        def initialize(desk, student, given: Models::Assignments.new(desk).of_student(student[:id]), from: self.class.first_day(student, desk.today))
          @desk = desk
          @student = student
          @given = given
          @from = from
          holidays = Models::Stretches.days(desk.studio[:holidays])
          @practice = Models::Students.practice(student, holidays: holidays)
          @next_lesson = Planning::Calendar.next_lesson(from, student[:lesson_weekday], @practice.absent)
        end

        # @return [Array<Planning::Task>] of all pieces, those that would be late
        #   in their turn before the others
        def tasks
          @tasks ||= Planning::Urgency.call(
            given.flat_map { |one| prioritised(one) }, due: given.to_h { |one| [one.id, one.row[:due_on]] }.compact,
            group: GROUP, practice: practice, from: from, next_lesson: next_lesson, warm_ups: warm_ups
          )
        end

        # The assignment a task belongs to.
        GROUP = ->(id) { id[/\A\d+/].to_i }

        # @return [Hash{String => Array(Models::Assignments::Given, Practice::Step)}]
        def steps
          @steps ||= given.flat_map { |one| one.progress.steps.map { |step| [one.prefix + step.id, [one, step]] } }.to_h
        end

        # @return [Hash{Symbol => Object}] for {Planning.week}
        def week
          reviews = given.flat_map { |one| one.progress.reviews(next_lesson - 1, prefix: one.prefix) }
          plan.merge(overrides: Models::Overrides.new(@desk).of(student[:id], next_lesson), reviews: reviews, extra_work: extra_work, runs: runs)
        end

        # @return [Hash{Symbol => Object}] for {Planning.finish} and its like
        def plan = {tasks: tasks, practice: practice, from: from, next_lesson: next_lesson, warm_ups: warm_ups}

        # @return [Array<Planning::WarmUp>]
        def warm_ups = warm_up_lines.map { |one| Planning::WarmUp.new(id: one.id, minutes: one.minutes, title: one.title) }

        # @return [Hash{String => Line}] what is no step, by id
        def lines
          @lines ||= [*warm_up_lines, *kept, *work.reject { |row| row[:kind] == "exercise" }.map { |row| line(row) },
            *runs.map { |run| Line.new(id: run.id, title: run.title, minutes: run.minutes, piece: given.find { |one| run.id.start_with?(one.prefix) }.title) }].to_h { |one| [one.id, one] }
        end

        private

        def prioritised(one)
          level = one.row[:priority]
          tasks = one.progress.tasks(prefix: one.prefix)
          level.zero? ? tasks : tasks.map { |task| task.with(priority: 2 * level, because: FIRST[1 - level]) }
        end

        # Times a week a piece is played that is kept ready for a date. Own choice.
        KEPT = 2

        def others
          kept.map { |one| Planning::ExtraWork.new(id: one.id, minutes: one.minutes, times: KEPT, title: one.title) } + work.reject { |row| row[:kind] == "exercise" }.map { |row| Planning::ExtraWork.new(id: "work #{row[:id]}", minutes: row[:minutes].to_r, times: row[:times], title: row[:title]) }
        end

        # Pieces kept ready for a date that is still to come: once through.
        def kept
          @kept ||= @desk[:assignments].join(:pieces, studio_id: :studio_id, id: :piece_id).where(student_id: student[:id], ended: "kept").where(Sequel[:keep_for] >= from)
            .select(Sequel[:assignments][:id], :title, :steps).map do |row|
              whole = row[:steps].map { |step| Practice::Step.from_data(step.to_hash) }.select(&:tempo).max_by { |step| [step.counts, step.tempo] }
              minutes = whole ? Practice::Estimate.minutes(counts: whole.counts, tempo: whole.tempo, repetitions: 1) : 2r
              Line.new(id: "kept #{row[:id]}", title: "#{row[:title]}, once through", minutes: minutes, piece: row[:title])
            end
        end

        def runs = @runs ||= given.filter_map { |one| one.progress.run(prefix: one.prefix) }

        def work = @work ||= Models::Work.new(@desk).of(student[:id])

        def warm_up_lines
          @warm_up_lines ||= exercises.each_with_index.map { |one, at| Line.new(id: "warm-up #{at + 1}", title: one.title, minutes: one.minutes, exercise: one) } +
            work.select { |row| row[:kind] == "exercise" }.map { |row| line(row) }
        end

        def line(row) = Line.new(id: "work #{row[:id]}", title: row[:title], minutes: row[:minutes].to_r, one_of: row[:one_of].to_a)

        # Out of the key of the piece that is the newest in hand.
        # @return [Array<Practice::Exercise>]
        def exercises
          kinds = WARM_UPS.fetch(student[:warm_ups])
          return [] if kinds.empty? || given.empty?

          row = given.last.row
          key = Models::Pieces.new(@desk).map(row[:piece_id], row[:revision]).keys.first || Score::Key.new(fifths: 0)
          Practice::WarmUps.of(key, kinds)
        end
      end
    end
  end
end
