# frozen_string_literal: true

module Stairwell
  module Server
    module Features
      # Lessons of the whole studio on some days: of whom, when, and who holds them. What
      # was moved, left out or handed to another is in it, and where a teacher would be in
      # two places at once.
      class Timetable
        # A lesson of a student, alone or (`class_id`) with their class; `holder` is the account
        # that holds it, `own` the one that would, were nobody away.
        Held =
          Stairwell.value(:student, :lesson, :holder, :own, class_id: nil, clash: false) do
            # A class comes all at once.
            # @param other [Held]
            # @return [Boolean] whether one person would be with both at one time
            def meets?(other)
              if other.equal?(self) || holder != other.holder || !lesson.held? ||
                   !other.lesson.held?
                return false
              end

              lesson.meets?(other.lesson) && (class_id.nil? || class_id != other.class_id)
            end
          end

        # @param tables [Tables]
        # @param context [StudioContext]
        # @param days [Range<Date>]
        # @param student_ids [Array<Integer>, nil] whose alone, where that is all that is wanted
        # @param teacher_id [Integer, nil] whose lessons alone, their own and those they hold
        # @return [Timetable]
        def self.read(tables, context, days, student_ids: nil, teacher_id: nil)
          students =
            Repositories::Students
              .new(tables)
              .list
              .select do |row|
                row[:paused_on].nil? && (student_ids.nil? || student_ids.include?(row[:id]))
              end
          rows =
            Repositories::Appointments.rows(
              tables,
              students.map { |row| row[:id] },
              [days.begin, context.today].min
            )
          covers = Repositories::Covers.new(tables).between(days.begin, days.end)
          students = taught(students, rows, covers, teacher_id) if teacher_id
          changed =
            rows
              .group_by { |row| row[:student_id] }
              .transform_values { |all| all.map { |row| Repositories::Appointments.value(row) } }
          new(
            context,
            days,
            classes: tables[:classes].as_hash(:name),
            students: students,
            changed: changed,
            covers: covers
          )
        end

        # Those whom a teacher may have to do with on these days.
        def self.taught(students, rows, covers, teacher_id)
          teachers = [
            teacher_id,
            *covers.select { |row| row[:cover_id] == teacher_id }.map { |row| row[:away_id] }
          ]
          held =
            rows.select { |row| teachers.include?(row[:teacher_id]) }.map { |row| row[:student_id] }
          students.select do |row|
            held.include?(row[:id]) || (Repositories::Students.teachers(row) & teachers).any?
          end
        end
        private_class_method :taught

        # @return [Array<Hash>] rows of the students who are here
        attr_reader :students

        # @param context [StudioContext]
        # @param days [Range<Date>]
        # @param students [Array<Hash>] rows
        # @param changed [Hash{Integer => Array<Studio::Appointment>}] by student
        # @param covers [Array<Hash>] rows
        # @param classes [Hash{String => Hash}] rows by name
        def initialize(context, days, students:, changed:, covers:, classes: {})
          @classes = classes
          @context = context
          @days = days
          @students = students
          @changed = changed
          @covers = covers
        end

        # @return [Planning::Away] of the studio
        def holidays =
          @holidays ||= Planning::Away.load(@context.studio[:holidays].to_a.map(&:to_h))

        # @param date [Date] of the days that were read
        # @return [Array<Held>] in order, those left out among them
        def on(date)
          @on ||= {}
          @on[date] ||= clashing(
            students.flat_map do |student|
              lessons_of(student).between(date, date).map { |lesson| held(student, lesson) }
            end
          ).sort_by { |one| [one.lesson.begins, one.student[:name]] }
        end

        # @param from [Date]
        # @param to [Date]
        # @return [Array<Held>]
        def between(from, to) = (from..to).flat_map { |date| on(date) }

        # @param date [Date]
        # @return [Array<Held>] those I hold, and mine that another holds
        def mine_on(date) =
          on(date).select { |one| [one.holder, one.own].include?(@context.account_id) }

        # @return [Boolean] whether I teach anyone every week
        def teaching? =
          students.any? { |row| Repositories::Students.teachers(row).include?(@context.account_id) }

        # @param all [Boolean] of every teacher
        # @return [Proc] what gives the lessons of a day: mine, or everyone's for who teaches nobody
        def wanted(all) =
          if all || !(teaching? || @days.first(7).any? { |date| mine_on(date).any? })
            method(:on)
          else
            method(:mine_on)
          end

        # @param student [Hash] row
        # @return [Studio::Appointment, nil] the next lesson that is held, today's too
        def next_of(student)
          lessons = lessons_of(student)
          lessons.next_after(@days.begin - 1)&.then { |day| lessons.on(day) }
        end

        # @param one [Held]
        # @return [Array<String>] in words, whom else its teacher would be with then
        def clashes(one)
          on(one.lesson.day)
            .select { |other| one.meets?(other) }
            .map do |other|
              Phrase[
                "server.timetable.clash",
                name: other.student[:name],
                day: Phrase.day(one.lesson.day, :full),
                time: other.lesson.time
              ]
            end
        end

        # @param one [Held]
        # @return [Array<Symbol>] what whoever looks may do with that student today; see {Rights}
        def may(one)
          Rights.among(@context) do
            [
              one.own,
              *Repositories::Students.teachers(one.student),
              *(one.holder if one.lesson.day == @context.today)
            ]
          end
        end

        private

        # @return [Studio::Timetable]
        def lessons_of(student)
          @lessons_of ||= {}
          @lessons_of[student[:id]] ||= begin
            value = Repositories::Students.value(student, @context.studio[:locale])
            Studio::Timetable.new(
              times: value.lesson_times,
              away: value.away | value.elsewhere | holidays,
              changed: @changed.fetch(student[:id], [])
            )
          end
        end

        def held(student, lesson)
          own = lesson.teacher_id || student[:teacher_id]
          cover =
            @covers.find do |row|
              row[:away_id] == own && lesson.day.between?(row[:first_day], row[:last_day])
            end
          Held.new(
            student: student,
            lesson: lesson,
            own: own,
            holder: cover ? cover[:cover_id] : own,
            class_id: class_at(student, lesson)
          )
        end

        # The class a student comes with, where that is its hour.
        def class_at(student, lesson)
          row = @classes[student[:class_name]]
          if row && row[:weekday] == lesson.day.wday &&
               Repositories::Students.time(row[:time]) == lesson.time
            row[:id]
          end
        end

        def clashing(all)
          all
            .group_by(&:holder)
            .values
            .flat_map do |same|
              same.map { |one| one.with(clash: same.any? { |other| one.meets?(other) }) }
            end
        end
      end
    end
  end
end
