# frozen_string_literal: true

module Stairwell
  module Server
    module Features
      # Classes: who belongs to them, when they meet, and what they work toward.
      class Classes
        # What is changed of a class plainly.
        PLAIN = %i[name teacher_id weekday time minutes].freeze

        # @param context [StudioContext]
        def initialize(context)
          @context = context
          @students = Students.new(context)
        end

        # @return [Array<Hash>] see the contract's ClassCard
        def list
          classes, members, units =
            @context.read do |tables|
              classes = Repositories::Classes.new(tables).list
              [
                classes,
                Repositories::Classes.new(tables).members(classes.map { |row| row[:name] }),
                Repositories::ClassUnits.new(tables).of(classes.map { |row| row[:id] })
              ]
            end
          classes.map do |row|
            ClassJson.card(
              row,
              members.fetch(row[:name], []),
              units.select { |unit| unit[:class_id] == row[:id] }
            )
          end
        end

        # @return [Hash] see the contract's Class
        # @raise [MissingError]
        def show(id)
          read = ClassRead.of(@context, id)
          summaries =
            @context.read { |tables| Repositories::Summaries.new(tables, @context.today).all }
          shown = ClassJson.whole(read, summaries, @context)
          Jobs::Summarise.soon(@context, !shown[:fresh])
          shown
        end

        # @param members [Array<Integer>] students
        # @return [Hash] as {#show}
        def add(key:, members: [], **values)
          row =
            @context.write do |tables|
              Repositories::Classes.new(tables).add(
                key: key,
                teacher_id: @context.account_id,
                **values.slice(*PLAIN),
                name: values[:name].strip
              )
            end
          move(row, members)
          show(row[:id])
        end

        # Where the hour changes, the lessons of members at the old one do.
        # @param members [Array<Integer>, nil] students
        # @return [Hash] as {#show}
        # @raise [Problem] 409 when it was changed meanwhile
        def change(id, seen:, members: nil, **values)
          values[:name] = values[:name].strip if values[:name]
          before, row =
            @context.write do |tables|
              before = Repositories::Classes.new(tables).find(id)
              [
                before,
                Repositories::Classes.new(tables).change(id, values.slice(*PLAIN), seen: seen)
              ]
            end
          unless row
            raise Problem.new(
                    409,
                    Phrase["server.classes.changed_meanwhile", name: before[:name]],
                    code: "changed_meanwhile"
                  )
          end

          shift(before, row)
          move(row, members) if members
          show(id)
        end

        # Its members go on alone; what was judged stays. A class of that name may begin again.
        # @return [Array<Hash>] as {#list}
        # @raise [MissingError]
        def finish(id)
          row = @context.read { |tables| Repositories::Classes.new(tables).find(id) }
          move(row, [])
          @context.write { |tables| Repositories::Classes.new(tables).finish(id, @context.today) }
          list
        end

        private

        def members(row) =
          @context.read do |tables|
            Repositories::Classes.new(tables).members([row[:name]]).fetch(row[:name], [])
          end

        # Brings students in and takes others out; who comes in comes at the class's hour, who
        # goes does no more, unless it is their only one.
        def move(row, wanted)
          now = members(row).map { |one| one[:id] }
          (now - wanted).each do |id|
            changed(id) do |student|
              {
                class_name: nil,
                more_lessons:
                  more(student).reject do |time|
                    time[:weekday] == row[:weekday] && time[:time] == hour(row)
                  end
              }
            end
          end
          (wanted - now).each do |id|
            changed(id) { |student| { class_name: row[:name], **at_hour(student, row) } }
          end
        end

        def at_hour(student, row)
          if Repositories::Students
               .value(student, @context.studio[:locale])
               .lesson_times
               .any? { |time| time.weekday == row[:weekday] }
            return {}
          end

          {
            more_lessons: [
              *more(student),
              {
                weekday: row[:weekday],
                time: hour(row),
                minutes: row[:minutes],
                teacher_id: row[:teacher_id]
              }
            ]
          }
        end

        def shift(before, row)
          if %i[weekday minutes].all? { |name| before[name] == row[name] } &&
               hour(before) == hour(row)
            return
          end

          members(row).each { |one| changed(one[:id]) { |student| shifted(student, before, row) } }
        end

        def shifted(student, before, row)
          was = ->(weekday, time) { weekday == before[:weekday] && time == hour(before) }
          if was[student[:lesson_weekday], hour(student, :lesson_time)]
            {
              lesson_weekday: row[:weekday],
              lesson_time: hour(row),
              lesson_minutes: row[:minutes],
              more_lessons: more(student)
            }
          else
            {
              more_lessons:
                more(student).map do |one|
                  if was[one[:weekday], one[:time]]
                    one.merge(weekday: row[:weekday], time: hour(row), minutes: row[:minutes])
                  else
                    one
                  end
                end
            }
          end
        end

        def more(student) =
          student[:more_lessons].to_a.map { |one| one.to_h.transform_keys(&:to_sym) }

        def hour(row, name = :time) = Repositories::Students.time(row[name])

        def changed(id)
          student =
            @context.read do |tables|
              row = Repositories::Students.new(tables).find(id)
              Rights.with_student!(@context, tables, row)
              row
            end
          values = yield student
          @students.settle(id, values, seen: student[:version]) if values.any?
        end
      end
    end
  end
end
