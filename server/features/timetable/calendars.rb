# frozen_string_literal: true

module Stairwell
  module Server
    module Features
      # Lessons as a calendar that other programs subscribe to: a teacher's, or a student's
      # family's.
      class Calendars
        # @param contexts [StudioContexts]
        # @param token [String] of the link
        # @return [String] iCalendar
        # @raise [Problem] 404 for any link that is not in force
        def self.behind(contexts, token)
          context, id = contexts.behind("calendar", token) { Repositories::SheetLinks.unknown }
          new(context).behind(id)
        end

        # @param context [StudioContext]
        def initialize(context)
          @context = context
        end

        # @param id [Integer] of a link
        # @return [String] iCalendar
        def behind(id)
          first, last =
            @context.today - Limits::CALENDAR_DAYS.begin,
            @context.today + Limits::CALENDAR_DAYS.end
          link, table, names =
            @context.read do |tables|
              link = links(tables).find(id)
              gone!(tables, link)
              [
                link,
                Timetable.read(
                  tables,
                  @context,
                  first..last,
                  student_ids: family(tables, link),
                  teacher_id: link[:account_id]
                ),
                Repositories::Members.new(tables).names
              ]
            end
          chosen =
            table
              .between(first, last)
              .select do |one|
                link[:student_id] || [one.holder, one.own].include?(link[:account_id])
              end
          speak(table, link) { write(chosen, link, names) }
        end

        # @return [Hash] {path:} of one's own
        def own =
          @context.read { |tables| { path: links(tables).path(account_id: @context.account_id) } }

        # @return [Hash] {path:}
        def renew
          @context.write { |tables| links(tables).renew({ account_id: @context.account_id }) }
          own
        end

        # @return [Hash] {path:}
        def withdraw
          @context.write { |tables| links(tables).withdraw({ account_id: @context.account_id }) }
          own
        end

        private

        def links(tables) = Repositories::CalendarLinks.new(tables)

        # Brothers and sisters stand in one calendar.
        def family(tables, link) =
          link[:student_id] &&
            [
              link[:student_id],
              *Repositories::Students.new(tables).family(link[:student_id]).map { |row| row[:id] }
            ]

        # Who has left sees nothing more, whatever link they kept.
        def gone!(tables, link)
          there =
            (
              if link[:student_id]
                Repositories::Students.here(tables).where(id: link[:student_id])
              else
                tables[:memberships].where(account_id: link[:account_id], left_at: nil)
              end
            )
          raise Repositories::SheetLinks.unknown if there.empty?
        end

        # A family is spoken to in its own language.
        def speak(table, link, &)
          student = table.students.find { |row| row[:id] == link[:student_id] }
          Locales.with(student&.fetch(:locale) || @context.locale, &)
        end

        def write(chosen, link, names)
          Formats::Calendar.write(
            chosen.map { |one| event(one, link, names) },
            name: Phrase["server.calendars.name", studio: @context.studio[:name]].to_s,
            zone: @context.studio[:time_zone]
          )
        end

        def event(one, link, names)
          lesson = one.lesson
          starts =
            DateTime.new(
              *lesson.day.then { |day| [day.year, day.month, day.day] },
              *lesson.time.split(":").map(&:to_i)
            )
          of_student = link[:student_id]
          elsewhere = link[:account_id] && one.holder != link[:account_id]
          Formats::Calendar::Event.new(
            uid:
              "#{one.student[:studio_id]}-#{one.student[:id]}-#{lesson.planned_on || lesson.key}@stairwell",
            starts: starts,
            ends: starts + Rational(lesson.minutes, 1440),
            summary:
              Phrase[
                of_student ? "server.calendars.with_teacher" : "server.calendars.with_student",
                name: one.student[:name],
                teacher: names.fetch(one.holder, "")
              ].to_s,
            description:
              (
                if elsewhere
                  Phrase[
                    "server.calendars.another_holds_it",
                    teacher: names.fetch(one.holder, "")
                  ].to_s
                end
              ),
            stamp: @context.clock.now,
            sequence: lesson.version,
            cancelled: !lesson.held? || elsewhere
          )
        end
      end
    end
  end
end
