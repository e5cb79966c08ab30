# frozen_string_literal: true

module Stairwell
  module Server
    module Services
      # The day's lessons in order: who comes, how the week went, what to hear first
      # and what needs attention.
      class Today
        def initialize(desk)
          @desk = desk
        end

        # @param all [Boolean] those of every teacher; otherwise one's own, where one
        #   has students
        # @return [Hash] {date:, holiday:, lessons:, next_day:, others:} with how many
        #   lessons others give today
        def show(all: false)
          every = lessons
          rows = all ? every : every & own
          given = Models::Assignments.new(@desk).by_student(rows.map { |row| row[:id] })
          weeks = Models::Weeks.new(@desk).under_way(rows.map { |row| row[:id] })
          finished = @desk[:lessons].where(day: @desk.today).exclude(finished_at: nil).select_map(:student_id)
          {
            date: @desk.today.to_s, holiday: holiday?, next_day: next_day(all ? students : own)&.to_s, others: (every - own).size,
            lessons: rows.map { |row| lesson(row, given.fetch(row[:id], []), weeks[row[:id]]&.fetch(:plan)&.to_hash).merge(finished: finished.include?(row[:id])) }
          }
        end

        private

        def students = @students ||= Models::Students.new(@desk).list

        def own
          @own ||= students.select { |row| row[:teacher_id] == @desk.account_id }.then { |mine| mine.any? ? mine : students }
        end

        def holidays = @holidays ||= Models::Stretches.days(@desk.studio[:holidays])

        def holiday? = holidays.include?(@desk.today)

        def lessons
          return [] if holiday?

          students.select { |row| row[:lesson_weekday] == @desk.today.wday && !Models::Stretches.days(row[:absent]).include?(@desk.today) }
        end

        # The next day on which there are lessons.
        def next_day(rows)
          weekdays = rows.map { |row| row[:lesson_weekday] }.uniq
          (1..60).map { |days| @desk.today + days }.find { |date| weekdays.include?(date.wday) && !holidays.include?(date) }
        end

        def lesson(row, given, week)
          load = Workload.new(@desk, row, given: given, from: @desk.today + 1)
          heard = Heard.new(@desk, given, week, load).rows
          first = heard.find { |one| one[:first] }
          {
            id: row[:id], name: row[:name], time: row[:lesson_time].strftime("%H:%M"), teacher: row[:teacher],
            pieces: given.map { |one| {title: one.title, section: in_hand(one)} }, days: days(week, given),
            hear_first: first&.slice(:title, :piece, :first), concerns: Watch.new(@desk, row, given, week).concerns
          }
        end

        # The section that is being learnt: the first with a step under way, or the
        # first that is open.
        def in_hand(given)
          standings = given.progress.standings.values.select { |one| one.step.section }
          (standings.find { |one| one.state == :begun } || standings.find { |one| one.state == :open })&.step&.section
        end

        def days(week, given)
          return [] unless week

          week["days"].map { |day| box(Date.parse(day["date"]), day["items"].select { |item| item["step_id"] }, given) }
        end

        # A whole day as one box: how much of what was planned was done.
        def box(date, items, given)
          done = items.count { |item| standing(item, given)&.days&.fetch(date, nil)&.then { |day| day[:repetitions] >= item["repetitions"] } }
          all = given.flat_map { |one| one.progress.standings.values.filter_map { |standing| standing.days[date] } }
          {date: date.to_s, planned: true, of: [items.size, 1].max, repetitions: done, struggle: all.any? { |day| day[:struggle] }}
        end

        def standing(item, given) = given.find { |one| one.id == item["assignment_id"] }&.progress&.standings&.fetch(item["step_id"], nil)
      end

      # What needs attention about one student.
      class Watch
        # @param desk [Desk]
        # @param student [Hash] row
        # @param given [Array<Models::Assignments::Given>]
        # @param week [Hash, nil] the week under way, as stored
        # @param outlooks [Hash, nil] by assignment; made here where nil
        def initialize(desk, student, given, week, outlooks: nil)
          @desk = desk
          @student = student
          @given = given
          @week = week
          @outlooks = outlooks || Ahead.new(desk, student, given).outlooks(options: false)
        end

        # @return [Array<Hash>] {kind:, text:}, the most urgent first
        def concerns
          attention = Progress::Attention.new(@desk.today)
          @given.each do |one|
            outlook = @outlooks[one.id]
            attention.forecast(one.title, outlook[:cautious]&.then { |date| Date.parse(date) }, one.row[:due_on]) if outlook
            attention.piece(one.title, one.progress)
          end
          attention.practice(*Practised.of(@week, @given).until(@desk.today))
          attention.plan(planned?) if @given.any?
          attention.to_a.map { |one| {kind: one.kind.to_s, text: one.text} }
        end

        private

        # On a lesson day the plan may end today: the next one follows from it.
        def planned? = !@week.nil? && @week["next_lesson"] >= @desk.today.to_s
      end
    end
  end
end
