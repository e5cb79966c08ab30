# frozen_string_literal: true

module Stairwell
  module Server
    module Features
      # The day's lessons in order, as the day is: who comes, how the week went, what to hear
      # first and what needs attention; what was left out or handed to another is said.
      class Today
        # @param context [StudioContext]
        def initialize(context)
          @context = context
        end

        # @param all [Boolean] those of every teacher; otherwise one's own, where one has
        #   students
        # @return [Hash] see the contract's Today
        def show(all: false)
          today = @context.today
          table, finished, names, away, unread, others =
            @context.read do |tables|
              [
                Timetable.read(tables, @context, today..(today + Limits::DAYS_AHEAD)),
                Repositories::Lessons.new(tables, @context).finished_today,
                Repositories::Members.new(tables).names,
                Repositories::Lessons.new(tables, @context).given_by_others,
                Repositories::Messages.unread(tables),
                Repositories::Results.new(tables).others_on(today, @context.account_id)
              ]
            end
          wanted = table.wanted(all)
          chosen = wanted.call(today)
          records = records(chosen)
          {
            date: today.to_s,
            holiday: table.holidays.lessonless?(today),
            next_day: next_day(wanted)&.to_s,
            unseen: away,
            others: (table.on(today) - table.wanted(false).call(today)).size,
            lessons:
              chosen.map do |one|
                id = one.student[:id]
                lesson(one, names, table.may(one), records.fetch(id)).merge(
                  finished: finished.include?(id),
                  under_way: (others[id] unless finished.include?(id)),
                  messages: unread.fetch(id, 0)
                )
              end
          }
        end

        private

        def records(lessons) =
          Repositories::Records
            .new(@context)
            .load(lessons.map { |one| one.student[:id] }, pages: false)
            .to_h { |record| [record.student.id, record] }

        def lesson(one, names, may, record) = LessonTimeJson.of(one, names, may).merge(week(record))

        # The next day on which there are lessons.
        def next_day(wanted) =
          (1..Limits::DAYS_AHEAD)
            .map { |days| @context.today + days }
            .find { |date| wanted.call(date).any? { |one| one.lesson.held? } }

        def week(record)
          {
            pieces:
              record.pieces.map { |piece| { title: piece.title, section: piece.section_in_hand } },
            days: Studio::WeekBoxes.of(record).map { |box| DayBoxJson.of(box) },
            hear_first: LessonJson.hear_first(Studio::LessonSteps.new(record).to_a),
            concerns: ConcernsJson.of(Studio::Concerns.of(record, Outlooks.of(@context, record)))
          }
        end
      end
    end
  end
end
