# frozen_string_literal: true

module Stairwell
  module Server
    module Services
      # Students: add, look at, change, give a piece.
      class Teaching
        def initialize(desk)
          @desk = desk
          @students = Models::Students.new(desk)
          @assignments = Models::Assignments.new(desk)
          @links = Models::SheetLinks.new(desk)
          @weeks = Models::Weeks.new(desk)
        end

        # @return [Array<Hash>]
        def list = @students.list.map { |row| Views::Student.settings(row).merge(teacher: row[:teacher]) }

        # @return [Hash]
        def show(id) = whole(@students.find(id))

        # @param values [Hash{Symbol => Object}]
        def add(values) = whole(@students.add(values))

        # Changed days or minutes make a new plan of the days that are left.
        def change(id, values, seen:)
          planned(id) { @students.change(id, values, seen: seen) }
        end

        # @param gift [Hash] see {Giving#give}
        # @return [Hash] the student
        def give(id, gift) = planned(id) { |student| Giving.new(@desk, student).give(gift) }

        # @return [Hash]
        def trial(id, gift) = Giving.new(@desk, @students.find(id)).trial(gift)

        # Changes what was chosen for a piece.
        # @return [Hash] the student, with what :moved
        def change_piece(id, assignment_id, values)
          moved = nil
          planned(id) { |student| moved = Giving.new(@desk, student).change(assignment_id, values) }.merge(moved: moved)
        end

        # Takes the page as it is now into a piece under way.
        # @return [Hash] the student, with what :moved
        def renew_piece(id, assignment_id)
          moved = nil
          planned(id) { |student| moved = Giving.new(@desk, student).take_over(assignment_id) }.merge(moved: moved)
        end

        # @return [Hash] the student
        def end_piece(id, assignment_id, ended:, keep_for: nil) = planned(id) { |student| Giving.new(@desk, student).close(assignment_id, ended, keep_for: keep_for) }

        # A section was shown at a lesson, or that is taken back.
        # @return [Hash] the student
        # @raise [Problem] 404 for what cannot be introduced in this piece
        def teach(id, assignment_id:, what:, introduced:, key:)
          planned(id) do
            given = @assignments.find(id, assignment_id)
            raise Problem.not_found("section in this piece that waits to be taught") unless given.progress.introductions.any? { |name, _| name == what }

            Models::Shown.new(@desk).add(id, assignment_id, what, introduced, key: key)
          end
        end

        # How a step that did not go is made smaller.
        # @return [Hash] the student
        # @raise [Problem] 404 or 422
        def ease(id, assignment_id:, step_id:, form:, key:, bar: nil)
          planned(id) do
            step = @assignments.find(id, assignment_id).progress.troubled.find { |one| one.id == step_id } || raise(Problem.not_found("step in this piece that did not go"))
            known = form == "none" || Practice::Simplification.forms(step).any? { |one| one.form.to_s == form && one.bar == bar }
            raise Problem.new(422, "“#{step.title}” cannot be made smaller in that way. Choose one of those that are offered.", code: "form", field: "form") unless known

            Models::Shown.new(@desk).ease(id, assignment_id, step_id, form, key: key, bar: bar)
          end
        end

        # @param edit [Hash] see {PlanWeek#draw}
        # @return [Hash] the student
        def draw(id, edit)
          PlanWeek.new(@desk).draw(@students.find(id), **edit)
          show(id)
        end

        # Exercises and other work beside the pieces.
        # @return [Hash] the student
        def add_work(id, values) = planned(id) { Models::Work.new(@desk).add(id, values) }

        # @return [Hash] the student
        def change_work(id, work_id, values) = planned(id) { Models::Work.new(@desk).change(id, work_id, values) }

        # @return [Hash] the student
        def end_work(id, work_id) = planned(id) { Models::Work.new(@desk).finish(id, work_id) }

        # Plans the days that are left again, from what was practised so far.
        # @return [Hash] the student
        def plan_again(id) = planned(id) { nil }

        # Takes one of the options of a piece that is late.
        # @return [Hash] the student
        def take(id, change:, assignment_id:) = planned(id) { |student| Ahead.new(@desk, student).take(change, assignment_id) }

        # @return [Hash] the student with a new link; the old one opens nothing more
        def renew_link(id)
          student = @students.find(id)
          @links.renew(id)
          whole(student)
        end

        # @return [Hash]
        def withdraw_link(id)
          student = @students.find(id)
          @links.withdraw(id)
          whole(student)
        end

        private

        # Lessons that are over: what was told, and how many steps were heard.
        def history(student)
          heard = @desk[:lesson_results].where(student_id: student[:id]).exclude(result: "not_heard").group_and_count(:day).to_h { |row| [row[:day], row[:count]] }
          Models::Lessons.new(@desk).history(student[:id]).map { |row| {day: row[:day].to_s, recap: row[:recap].to_s, notes: row[:notes], heard: heard.fetch(row[:day], 0)} }
        end

        # Does something to a student, plans anew, and shows how it is then.
        def planned(id)
          yield @students.find(id)
          student = @students.find(id)
          PlanWeek.new(@desk).call(student)
          whole(student)
        end

        def whole(student)
          link = @links.live(student[:id])
          given = @assignments.of_student(student[:id])
          PlanWeek.new(@desk).mend(student, @weeks.newest(student[:id])&.fetch(:plan)&.to_hash, given)
          week = @weeks.newest(student[:id])
          ahead = Ahead.new(@desk, student, given)
          outlooks = ahead.outlooks
          climb = Climb.new(@desk, ahead.load, outlooks)
          names = Models::Routines.new(@desk).all.to_h { |one| [one.key, one.name] }
          Views::Student.settings(student).merge(
            pieces: given.map { |one| Views::Student.assignment(one, routine: names.fetch(one.row[:routine])).merge(outlook: outlooks.fetch(one.id), stairs: climb.of(one)) },
            adherence: (ahead.adherence * 100).round, pace: ahead.pace.to_f.round(2), work: Models::Work.new(@desk).of(student[:id]).map { |row| Models::Work.shown(row) },
            week: week && week[:plan].to_hash, hand: Models::Overrides.new(@desk).shown(student[:id], week ? week[:next_lesson] : ahead.next_lesson),
            repertoire: @assignments.repertoire(student[:id]), lessons: history(student), weeks: PastWeeks.new(@desk, student[:id]).rows, attention: Watch.new(@desk, student, given, week && week[:plan].to_hash, outlooks: outlooks).concerns,
            drills: @students.drills(student[:id]), sheet_path: link && "/s/#{@links.token(link)}", today: @desk.today.to_s
          )
        end
      end
    end
  end
end
