# frozen_string_literal: true

module Stairwell
  module Server
    module Features
      # Students: add, look at, change, assign a piece, teach, plan.
      class Students
        # What is asked for plainly when a piece is assigned or changed.
        PLAIN = %i[due_on priority introduce_first].freeze
        CHOSEN = %i[routine hand_order target_tempo].freeze

        # @param context [StudioContext]
        def initialize(context)
          @context = context
          @records = Repositories::Records.new(context)
          @changes = Repositories::Changes.new(context)
        end

        # @return [Array<Hash>] those who have gone last; see the contract's StudentCard
        def list
          rows, pieces, timetable =
            @context.read do |tables|
              [
                Repositories::Students.new(tables).list(gone: true),
                Repositories::Repertoire.new(tables).in_hand,
                Timetable.read(
                  tables,
                  @context,
                  @context.today..(@context.today + Limits::DAYS_AHEAD)
                )
              ]
            end
          rows
            .partition { |row| row[:left_on].nil? }
            .flatten
            .map { |row| card(row, pieces.fetch(row[:id], []), timetable) }
        end

        # @return [Hash] see the contract's Student
        def show(id)
          beside = nil
          record = @records.find(id) { |tables| beside = beside(tables, id) }
          StudentJson.new(record, beside).to_h
        end

        # @param values [Hash{Symbol => Object}]
        # @return [Hash]
        def add(values)
          check(values)
          whole = Studio::Student.usual(values)
          row =
            @context.write do |tables|
              Repositories::Students.new(tables).add(
                whole,
                teacher_id: @context.account_id,
                today: @context.today,
                key: values[:key]
              )
            end
          show(row[:id]).merge(clashes: clashes(row[:id]))
        end

        # Other days or minutes make a new plan of the days that are left.
        # @return [Hash]
        # @raise [Problem] 409 when it was changed meanwhile
        def change(id, values, seen:)
          settle(id, values, seen: seen)
          show(id).merge(clashes: clashes(id))
        end

        # The same where nobody looks at the student.
        # @return [void]
        def settle(id, values, seen:)
          check(values)
          row = nil
          more = ->(tables) { row = Repositories::Students.new(tables).find(id) }
          keep = ->(tables, _) do
            Repositories::Students.new(tables).change(id, values, seen: seen) ||
              raise(stale(row, values))
          end
          @changes.act(id, more: more, keep: keep) do |record|
            raise stale(row, values) unless row[:version] == seen

            student = Repositories::Students.value(row.merge(values), @context.studio[:locale])
            Studio.change_student(record, student).with(student: nil)
          end
        end

        # @param asked [Hash] see the contract's AssignmentRequest
        # @return [Hash]
        def assign(id, asked)
          give(id, asked)
          show(id)
        end

        # The same where nobody looks at the student.
        # @yieldparam number [Integer] the assignment
        # @yieldreturn [#call] what is kept in the same transaction, of {Tables}
        # @return [Integer] the assignment
        def give(id, asked)
          page = nil
          number, key = @context.next_id(:assignments), SecureRandom.uuid
          @changes.act(
            id,
            keep: block_given? ? yield(number) : nil,
            more: ->(tables) { page = piece(tables, id, asked[:piece_id]) }
          ) { |record| Studio.assign(record, assignment(asked, page), id: number, key: key) }
          number
        end

        # A piece the student has or had goes on, toward another day.
        # @param assignment [Hash] row
        # @return [void]
        def take_up(id, assignment, due_on:, keep: nil)
          if assignment[:ended]
            @changes.act(id, also: assignment[:id]) do |record|
              Studio::ChangePiece.new(record, assignment[:id]).finish(nil)
            end
          end
          due = Problem.date(due_on, "due_on")
          @changes.act(id, keep: keep) do |record|
            Studio::ChangePiece.new(record, assignment[:id]).call(plain: { due_on: due })
          end
        end

        # What assigning a piece would come to; nothing is kept.
        # @return [Hash]
        def preview(id, asked)
          page = nil
          record = @records.find(id) { |tables| page = piece(tables, id, asked[:piece_id]) }
          found = Studio::Assign.new(record, assignment(asked, page)).preview
          {
            steps: found.steps.size,
            minutes: found.steps.sum(0r, &:work).to_f,
            practice_days: found.finish.days,
            finish: found.finish.date&.to_s,
            **found.outlook.to_display.except(:planned),
            late: found.outlook.late?,
            others: record.pieces.size,
            titles: found.steps.map(&:title),
            beforehand: found.beforehand,
            target_tempo: found.target_tempo,
            introduce_first: found.introduce_first
          }
        end

        # @param values [Hash] of a piece's choices
        # @return [Hash] the student, with what :moved
        def change_piece(id, assignment_id, values)
          plain = values.slice(*PLAIN)
          plain[:due_on] = plain[:due_on] && Problem.date(plain[:due_on], "due_on") if plain.key?(
            :due_on
          )
          choices = values.transform_keys(&:to_s).slice(*Studio::Assigned::CHANGED)
          moved(id) do |record|
            Studio::ChangePiece.new(record, assignment_id).call(
              plain: plain,
              chosen: values.slice(*CHOSEN),
              choices: choices
            )
          end
        end

        # Takes the page as it is now into a piece under way.
        # @return [Hash] the student, with what :moved
        def renew_piece(id, assignment_id) =
          moved(id) { |record| Studio::ChangePiece.new(record, assignment_id).take_over }

        # Takes that back: the steps are those from before.
        # @return [Hash] the student, with what :moved
        def take_back_page(id, assignment_id)
          former = nil
          read = ->(tables) { former = Repositories::Former.read(tables, assignment_id) }
          moved(id, more: read) do |record|
            Studio::ChangePiece.new(record, assignment_id).take_back(
              Repositories::Former.value(former)
            )
          end
        end

        # @return [Hash]
        def end_piece(id, assignment_id, ended:, keep_for: nil)
          until_date = keep_for && Problem.date(keep_for, "keep_for")
          act(id, also: assignment_id) do |record|
            Studio::ChangePiece.new(record, assignment_id).finish(ended, keep_for: until_date)
          end
        end

        # Takes one of the options of a piece that is late.
        # @return [Hash]
        def take_option(id, change:, assignment_id:) =
          act(id) { |record| Studio::ChangePiece.new(record, assignment_id).take(change) }

        # Plans a piece backwards from its date; as usual again with no measure.
        # @return [Hash]
        def plan_backwards(id, assignment_id, measures:) =
          act(id) { |record| Studio::ChangePiece.new(record, assignment_id).backwards(measures) }

        # @return [Hash]
        def introduce(id, **said) =
          act(id) do |record|
            Studio.introduce(record, **said.slice(:assignment_id, :what, :introduced, :key))
          end

        # @return [Hash]
        def simplify(id, form:, **said) =
          act(id) do |record|
            Studio.simplify(
              record,
              form: form.to_sym,
              **said.slice(:assignment_id, :step_id, :key, :bar)
            )
          end

        # @param said [Hash] edit:, starts:, seen:, and what the edit needs
        # @return [Hash]
        def change_week(id, edit:, starts:, seen:, overrides: [], **said)
          dates = said.slice(:date, :to).transform_values { |text| Problem.date(text, "date") }
          minutes = said.slice(:minutes).transform_values { |number| Rational(number.to_s) }
          overrides = overrides.map { |one| Planning::OverrideDocument.load(one) }
          starts = Problem.date(starts, "date")
          act(id) do |record|
            Studio.change_week(
              record,
              edit: edit.to_sym,
              starts: starts,
              seen: seen,
              overrides: overrides,
              **said,
              **dates,
              **minutes
            )
          end
        end

        # Plans the days that are left again, from what was practised so far.
        # @return [Hash]
        def plan(id) = act(id) { |record| Studio.plan(record) }

        # @return [Hash] the student with a new link; the old one opens nothing more
        def renew_link(id)
          @context.write do |tables|
            links(tables).renew(Repositories::Students.new(tables).find(id)[:id])
          end
          show(id)
        end

        # @return [Hash]
        def withdraw_link(id)
          @context.write do |tables|
            links(tables).withdraw(Repositories::Students.new(tables).find(id)[:id])
          end
          show(id)
        end

        private

        def card(row, pieces, timetable)
          lesson = timetable.next_of(row) unless row[:left_on] || row[:paused_on]
          SettingsJson.of(row).merge(
            teacher: row[:teacher],
            left_on: row[:left_on]&.to_s,
            paused_on: row[:paused_on]&.to_s,
            may: Rights.among(@context) { Repositories::Students.teachers(row) },
            consent_missing:
              @context.studio[:asks_consent] && row[:left_on].nil? && row[:consent_records_on].nil?,
            pieces: pieces,
            next_lesson: lesson && { day: lesson.day.to_s, time: lesson.time }
          )
        end

        # Does something to a student, and shows how it is then.
        def act(id, **how, &)
          @changes.act(id, **how, &)
          show(id)
        end

        def moved(id, **how, &)
          change = @changes.act(id, **how, &)
          show(id).merge(moved: change.told.to_h)
        end

        def check(values)
          Planning::Away.read(values[:absent], field: "absent") if values[:absent]
          days = [values[:lesson_weekday], *values[:more_lessons].to_a.map { |one| one[:weekday] }]
          if days.uniq.size < days.size
            raise Problem.new(
                    422,
                    Phrase["server.students.one_lesson_a_day"],
                    code: "lesson_days",
                    field: "more_lessons"
                  )
          end
        end

        # Whom the student's teachers would be with at the same time, in the week to come.
        def clashes(id)
          week = (@context.today + 1)..(@context.today + 7)
          table = @context.read { |tables| Timetable.read(tables, @context, week) }
          table
            .between(week.begin, week.end)
            .select { |one| one.student[:id] == id && one.clash }
            .flat_map { |one| table.clashes(one) }
        end

        def stale(row, values) =
          Problem.stale(:student, row[:name], kept: SettingsJson.of(row), sent: values)

        def links(tables) = Repositories::SheetLinks.new(tables)

        def beside(tables, id)
          row = Repositories::Students.new(tables).find(id)
          days = @context.today..(@context.today + Limits::DAYS_AHEAD)
          lessons = Repositories::Lessons.new(tables, @context).history(id)
          StudentJson::Beside.new(
            context: @context,
            covers: Repositories::Covers.new(tables).between(days.begin, days.end),
            names: Repositories::Members.new(tables).names,
            family: Repositories::Students.new(tables).family(id),
            heard:
              Repositories::Results.new(tables).of_lessons(
                lessons.map { |one| { student_id: id, day: one[:day] } }
              ),
            row: row,
            may: Rights.with_student(@context, tables, row),
            repertoire: Repositories::Repertoire.new(tables).of(id),
            lessons: lessons,
            counted:
              Repositories::Marks.new(tables, id).counted(
                @context.today - 7 * (Constants::PAST_WEEKS + 1)
              ),
            drills: Repositories::Repertoire.new(tables).drills(id),
            **Repositories::StudentLinks.new(tables).paths(id)
          )
        end

        # Rows of a piece that is to be assigned.
        def piece(tables, student_id, piece_id)
          row = Repositories::Pieces.new(tables).find(piece_id, live: true)
          student = Repositories::Students.new(tables).find(student_id)
          heard = Repositories::Learners.new(tables, piece_id).to_h
          [
            row,
            student,
            Repositories::Pages.new(tables).read(
              [[piece_id, row[:revision]]],
              teachers: [student[:teacher_id]],
              students: [student_id]
            ),
            heard
          ]
        end

        def assignment(asked, (row, student, read, heard))
          page = read.page(row[:id], row[:revision], student)
          Studio::Assignment.new(
            piece_id: row[:id],
            title: row[:title],
            revision: row[:revision],
            page: page,
            key: page.map.keys.first&.to_s,
            **asked.slice(*CHOSEN, :priority, :introduce_first, :beforehand),
            known: Studio::KnownOfPage.beforehand(Studio::KnownOfPage.of(page.map, **heard)),
            target_by: asked.fetch(:target_by, "number").to_sym,
            due_on: asked[:due_on] && Problem.date(asked[:due_on], "due_on"),
            choices: asked.transform_keys(&:to_s).slice(*Studio::Assigned::CHOSEN)
          )
        end
      end
    end
  end
end
