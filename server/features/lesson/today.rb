# frozen_string_literal: true

module Stairwell
  module Server
    module Features
      # The day's lessons in order: who comes, how the week went, what to hear first and
      # what needs attention.
      class Today
        # @param context [StudioContext]
        def initialize(context)
          @context = context
        end

        # @param all [Boolean] those of every teacher; otherwise one's own, where one has
        #   students
        # @return [Hash] see the contract's Today
        def show(all: false)
          rows, finished = @context.read { |tables| [Repositories::Students.new(tables).list, Repositories::Lessons.new(tables, @context).finished_today] }
          own = rows.select { |row| row[:teacher_id] == @context.account_id }.then { |mine| mine.any? ? mine : rows }
          every = lessons(rows)
          chosen = all ? every : every & own
          records = Repositories::Records.new(@context).load(chosen.map { |row| row[:id] }, pages: false).to_h { |record| [record.student.id, record] }
          {
            date: @context.today.to_s, holiday: holiday?, next_day: next_day(all ? rows : own)&.to_s, others: (every - own).size,
            lessons: chosen.map { |row| lesson(row, records.fetch(row[:id])).merge(finished: finished.include?(row[:id])) }
          }
        end

        private

        def holidays = @holidays ||= Planning::Away.load(@context.studio[:holidays].to_a.map(&:to_h))

        def holiday? = holidays.include?(@context.today)

        def lessons(rows)
          return [] if holiday?

          rows.select { |row| row[:lesson_weekday] == @context.today.wday && !Planning::Away.load(row[:absent].to_a.map(&:to_h)).include?(@context.today) }
        end

        # The next day on which there are lessons.
        def next_day(rows)
          weekdays = rows.map { |row| row[:lesson_weekday] }.uniq
          (1..Limits::DAYS_AHEAD).map { |days| @context.today + days }.find { |date| weekdays.include?(date.wday) && !holidays.include?(date) }
        end

        def lesson(row, record)
          {
            id: row[:id], name: row[:name], time: Repositories::Students.time(row[:lesson_time]), teacher: row[:teacher],
            pieces: record.pieces.map { |one| {title: one.title, section: one.section_in_hand} }, days: Studio::WeekBoxes.of(record).map { |box| DayBoxJson.of(box) },
            hear_first: LessonJson.hear_first(Studio::LessonSteps.new(record).to_a), concerns: ConcernsJson.of(Studio::Concerns.of(record, Studio::Outlooks.new(record).to_h))
          }
        end
      end
    end
  end
end
