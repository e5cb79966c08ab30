# frozen_string_literal: true

module Stairwell
  module Rows
    # Goes on week after week, each laid out in rows as the weeks before left it, until nothing is
    # left to learn. At each lesson as many bars are introduced as are usual.
    class Horizon
      # @param pieces [Array<Piece>] whose work comes first in front
      # @param practice [Planning::Practice]
      # @param limits [Limits]
      # @param beside [Array<Beside>]
      # @param kept [Numeric] share of the days that are practised
      def initialize(pieces, practice:, limits:, beside: [], kept: 1)
        @pieces = pieces
        @practice = practice
        @limits = limits
        @beside = beside
        @kept = kept
        @spans = {}
        @endings = {}
        @days = 0
      end

      # @param from [Date]
      # @param next_lesson [Date]
      # @return [Hash{Object => Planning::Ending}] by piece; none for one that isn't done within
      #   {Constants::MOST_WEEKS}
      def endings(from, next_lesson)
        walk(from, next_lesson)
        @endings
      end

      # The same for pieces that are done one day: after so many weeks at the earliest.
      # @param from [Date]
      # @param next_lesson [Date]
      # @return [Hash{Object => Planning::Ending}] by piece
      def endings_at_least(from, next_lesson)
        walk(from, next_lesson)
        last = from + (7 * Constants::MOST_WEEKS)
        @pieces.each { |piece| finish(piece, last, @days) }
        @endings
      end

      # @return [Hash{String => Array(Date, Date)}] first and last day of each step, by its key
      def schedule(from, next_lesson)
        walk(from, next_lesson)
        @spans
      end

      private

      def walk(from, lesson)
        @pieces.each { |piece| finish(piece, from) unless piece.open? }
        @owed = 0
        Constants::MOST_WEEKS.times do
          return if @endings.size == @pieces.size

          week((from...lesson).select { |date| @practice.planned?(date) })
          introduce
          from, lesson = lesson, @practice.lesson_after(lesson)
        end
      end

      # Of a week's days so many are kept; what is left of one counts for the next.
      def week(dates)
        @owed += dates.size * @kept
        dates = dates.first(@owed.floor)
        @owed -= dates.size
        return if dates.empty?

        open = @pieces.select(&:open?)
        days = dates.map { |date| Day.new(date: date, minutes: @practice.budget(date)) }
        laid = Week.new(open, days: days, limits: @limits, beside: @beside)
        note(laid.rows, dates)
        @pieces = @pieces.map { |piece| open.include?(piece) ? piece.after_week : piece }
      end

      def note(rows, dates)
        first = @days
        @days += dates.size
        played =
          rows
            .select(&:piece)
            .flat_map do |row|
              row.days.flat_map { |number, parts| parts.map { |part| [number, part] } }
            end
        played
          .select { |_, part| part.step && !part.steady }
          .each do |number, part|
            span = (@spans[part.key] ||= [dates[number - 1]] * 2)
            @spans[part.key] = [
              [span.first, dates[number - 1]].min,
              [span.last, dates[number - 1]].max
            ]
          end
        played
          .group_by { |_, part| part.piece }
          .each do |piece, all|
            next unless piece.over?

            number = all.reject { |_, part| part.steady }.map(&:first).max || dates.size
            finish(piece, dates[number - 1], first + number)
          end
      end

      def finish(piece, date, days = 0) =
        @endings[piece.id] ||= Planning::Ending.new(date: date, days: days)

      def introduce = @pieces = @pieces.map { |piece| piece.introduced(@limits.new_bars) }
    end
  end
end
