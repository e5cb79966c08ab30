# frozen_string_literal: true

module Stairwell
  module Server
    module Features
      # Single lessons: the week of them, and what is changed of one.
      class LessonTimes
        # @param context [StudioContext]
        def initialize(context)
          @context = context
        end

        # @param from [String, nil] a day of the week that is wanted; today's where it is not
        #   said
        # @param all [Boolean] those of every teacher
        # @return [Hash] see the contract's Timetable
        def week(from: nil, all: false)
          day = from ? Problem.date(from, "from") : @context.today
          monday = day - ((day.wday - Constants::WEEK_BEGINS) % 7)
          table, covers, names =
            @context.read do |tables|
              [
                Timetable.read(tables, @context, monday..(monday + 6)),
                Repositories::Covers.new(tables).between(monday, monday + 6),
                Repositories::Members.new(tables).names
              ]
            end
          lessons = table.wanted(all)
          {
            today: @context.today.to_s,
            from: monday.to_s,
            days:
              (monday..(monday + 6)).map do |date|
                {
                  date: date.to_s,
                  holiday: table.holidays.lessonless?(date),
                  lessons:
                    lessons.call(date).map { |one| LessonTimeJson.of(one, names, table.may(one)) }
                }
              end,
            covers: covers.map { |row| CoverJson.of(row) }
          }
        end

        # @param id [Integer] of the student
        # @param on [String] the day it stands on
        # @return [Hash] see the contract's LessonChanged
        def change(id, on, seen:, **changes)
          changes[:day] = Problem.date(changes[:day], "day") if changes[:day]
          act(id) do |record|
            Studio.change_lesson(record, on: Problem.date(on, "on"), seen: seen, **changes)
          end
        end

        # @param attendance [String, nil]
        # @return [Hash] see the contract's LessonChanged
        def attend(id, on, seen:, attendance:)
          act(id) do |record|
            Studio.change_lesson(
              record,
              on: Problem.date(on, "on"),
              seen: seen,
              attendance: attendance&.to_sym
            )
          end
        end

        # @return [Hash] see the contract's LessonChanged
        def put_in(id, key:, day:, makes_up_for: nil, **said)
          act(id) do |record|
            Studio.put_lesson_in(
              record,
              key: key,
              day: Problem.date(day, "day"),
              makes_up_for: makes_up_for && Problem.date(makes_up_for, "makes_up_for"),
              **said
            )
          end
        end

        private

        # What changed in the week is told, and whom the lesson now meets.
        def act(id)
          before = nil
          change =
            Repositories::Changes
              .new(@context)
              .act(id) { |record| (before = record) && yield(record) }
          one = change.appointments.first
          told =
            (
              if change.week && before.week
                Studio::WeekChange.words(
                  before.week.rest(@context.today),
                  change.week.rest(@context.today)
                )
              else
                []
              end
            )
          { told: told, clashes: one ? clashes(id, one.day) : [] }
        end

        # @return [Array<String>] in words
        def clashes(id, day)
          table = @context.read { |tables| Timetable.read(tables, @context, day..day) }
          table
            .on(day)
            .select { |one| one.student[:id] == id }
            .flat_map { |one| table.clashes(one) }
        end
      end
    end
  end
end
