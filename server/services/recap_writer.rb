# frozen_string_literal: true

module Stairwell
  module Server
    module Services
      # Writes the recap of a lesson from what was heard and the week that follows.
      class RecapWriter
        # @param desk [Desk]
        # @param student [Hash] row
        # @param heard [Array<Hash>] rows of {Heard}
        # @param week [Hash] as {Views::Week} shows it
        def initialize(desk, student, heard, week)
          @desk = desk
          @student = student
          @heard = heard
          @week = week
        end

        # @return [String]
        def to_s
          Recap.write(
            name: @student[:name], results: outcomes, lines: lines, dates: dates, next_lesson: Date.parse(@week[:next_lesson]),
            child: @student[:introduce_first], introduced: introduced, style: @desk.terms(@student)
          )
        end

        private

        def said
          @heard.select { |one| one[:result] && one[:result] != "not_heard" }.map do |one|
            Recap::Outcome.new(title: one[:title], result: one[:result].to_sym, simplification: smaller(one))
          end
        end

        def simplification(one)
          found = one[:simplification] or return
          return if found[:chosen] == "none"

          (found[:forms].find { |form| form[:form] == found[:chosen] && form[:bar] == found[:bar] } || found[:forms].first)&.fetch(:words)
        end

        def dates = @week[:days].map { |day| Date.parse(day[:date]) }

        # One line for each thing of the week, with its days.
        def lines
          several = @week[:days].flat_map { |day| day[:items].filter_map { |item| item[:piece] } }.uniq.size > 1
          @week[:days].flat_map { |day| day[:items].map { |item| [item, Date.parse(day[:date])] } }.group_by { |item, _| item[:id] }.values.map do |all|
            item = all.first.first
            Recap::Line.new(
              title: item[:title], kind: item[:kind].to_sym, dates: all.map(&:last), place: item[:place], repetitions: item[:repetitions] || 1, tempo: item[:tempo],
              piece: (item[:piece] if several), begins: item[:begins], one_of: item[:one_of]
            )
          end
        end

        def introduced
          @desk[:introductions].where(student_id: @student[:id], day: @desk.today).order(:made_at).to_h { |row| [row[:what], row[:introduced]] }.select { |_, on| on }.keys
        end
      end
    end
  end
end
