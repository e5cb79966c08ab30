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
          student = @students.change(id, values, seen: seen)
          replan(student)
          whole(student)
        end

        # @param gift [Hash] piece_id:, routine: (key), hand_order:, aim: (counts a
        #   minute), and what else a teacher chooses, see {Practice::Choices}
        # @return [Hash] the student
        # @raise [Problem] 422 when the piece has no section yet
        def give(id, gift)
          student = @students.find(id)
          pace = Ahead.new(@desk, student, @assignments.of_student(id)).pace
          revision = Models::Pieces.new(@desk).find(gift[:piece_id])[:revision]
          @assignments.add(
            student_id: id, revision: revision, **gift.slice(:piece_id, :routine, :hand_order, :aim, :due_on),
            choices: Sequel.pg_jsonb(gift.slice(*CHOSEN).merge(pace: pace.to_s)), steps: steps(student, gift, pace)
          )
          replan(student)
          whole(student)
        end

        # What giving a piece would come to by itself; nothing is saved.
        # @return [Hash]
        def trial(id, gift)
          student = @students.find(id)
          made = steps(student, gift, Ahead.new(@desk, student, @assignments.of_student(id)).pace)
          from = PlanWeek.first_day(student, @desk.today)
          finish = Planning.finish(
            tasks: Progress.piece(made, []).tasks, practice: Models::Students.practice(student), from: from,
            next_lesson: Planning::Calendar.next_weekday(from, student[:lesson_weekday])
          )
          {steps: made.size, minutes: made.sum(0r, &:work).to_f, practice_days: finish.days, finish: finish.date&.to_s, titles: made.map(&:title)}
        end

        # Plans the days that are left again, from what was practised so far.
        # @return [Hash] the student
        def plan_again(id)
          student = @students.find(id)
          replan(student)
          whole(student)
        end

        # Takes one of the options of a piece that is late.
        # @return [Hash] the student
        def take(id, change:, assignment_id:)
          Ahead.new(@desk, @students.find(id), @assignments.of_student(id)).take(change, assignment_id)
          student = @students.find(id)
          replan(student)
          whole(student)
        end

        CHOSEN = %i[join pedal touch_by memory order].freeze

        # @param row [Hash] an assignment's :hand_order, :aim and :choices, with
        #   the pace the student had when it was given
        # @return [Practice::Choices]
        def self.choices(row)
          chosen = row[:choices].to_h.transform_keys(&:to_sym)
          pace = Rational(chosen.delete(:pace) || 1)
          order = chosen.delete(:order).to_a.map(&:to_sym)
          chosen.transform_values! { |value| value.is_a?(String) ? value.to_sym : value }
          Practice::Choices.new(hand_order: row[:hand_order].to_sym, aim: row[:aim].to_r, pace: pace, order: order, **chosen)
        end

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

        # As the piece is for this student, with the teacher's and their own
        # changes.
        def steps(student, gift, pace)
          choices = self.class.choices(gift.merge(choices: gift.slice(*CHOSEN).merge(pace: pace.to_s)))
          map = Workbench.new(@desk, gift[:piece_id], student[:id].to_s).map
          Practice.steps(map, routine: Models::Routines.new(@desk).find(gift[:routine]), choices: choices)
        rescue ContradictionError => error
          raise Problem.new(422, error.message, code: "no_steps", field: "piece_id")
        end

        def replan(student)
          PlanWeek.new(@desk).call(student, from: PlanWeek.first_day(student, @desk.today))
        end

        def whole(student)
          link = @links.live(student[:id])
          week = @weeks.newest(student[:id])
          given = @assignments.of_student(student[:id])
          ahead = Ahead.new(@desk, student, given)
          outlooks = ahead.outlooks
          names = Models::Routines.new(@desk).all.to_h { |one| [one.key, one.name] }
          Views::Student.settings(student).merge(
            pieces: given.map { |one| Views::Student.assignment(one, routine: names.fetch(one.row[:routine])).merge(outlook: outlooks.fetch(one.row[:id])) },
            adherence: (ahead.adherence * 100).round, pace: ahead.pace.to_f.round(2),
            week: week && week[:plan].to_hash, drills: @students.drills(student[:id]), sheet_path: link && "/s/#{@links.token(link)}", today: @desk.today.to_s
          )
        end
      end
    end
  end
end
