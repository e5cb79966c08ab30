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

        # @param piece_id [Integer]
        # @param routine [String] key
        # @param hand_order [String] "right" or "left"
        # @param aim [Integer] counts a minute
        # @return [Hash] the student
        # @raise [Problem] 422 when the piece has no section yet
        def give(id, piece_id:, routine:, hand_order:, aim:)
          student = @students.find(id)
          pieces = Models::Pieces.new(@desk)
          piece = pieces.find(piece_id)
          choices = Practice::Choices.new(hand_order: hand_order.to_sym, aim: aim.to_r)
          # As it is for this student, with the teacher's and their own changes.
          map = Workbench.new(@desk, piece_id, id.to_s).map
          steps = Practice.steps(map, routine: Practice::ROUTINES.fetch(routine), choices: choices)
          @assignments.add(
            student_id: id, piece_id: piece_id, revision: piece[:revision], routine: routine, hand_order: hand_order, aim: aim, steps: steps
          )
          replan(student)
          whole(student)
        rescue ContradictionError => error
          raise Problem.new(422, error.message, code: "no_steps", field: "piece_id")
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

        def replan(student)
          PlanWeek.new(@desk).call(student, from: PlanWeek.first_day(student, @desk.today))
        end

        def whole(student)
          link = @links.live(student[:id])
          week = @weeks.newest(student[:id])
          Views::Student.settings(student).merge(
            pieces: @assignments.of_student(student[:id]).map { |given| Views::Student.assignment(given) },
            week: week && week[:plan].to_hash, drills: @students.drills(student[:id]), sheet_path: link && "/s/#{@links.token(link)}", today: @desk.today.to_s
          )
        end
      end
    end
  end
end
