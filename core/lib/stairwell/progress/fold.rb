# frozen_string_literal: true

module Stairwell
  module Progress
    # Folds the events of one step, day by day, into its credit. A good day is
    # a date on which all its repetitions were done and none was a struggle.
    # Marks of a day count before what is heard that day, however late they
    # arrive.
    class Fold
      # @return [Integer] good days credited, and in all
      attr_reader :credited, :good_days
      attr_reader :last_result, :days, :steady_on, :good_dates, :reviews

      # @param step [Practice::Step]
      # @param marks [Array<Mark>] lasting ones
      # @param results [Array<LessonResult>]
      # @param asked [Hash{Date => Integer}] repetitions on days where the teacher
      #   asked for others than the step's own
      def initialize(step, marks, results, asked: {})
        @step = step
        @asked = asked
        @credited = 0
        @good_days = step.good_days
        @secure = false
        @good_dates = []
        @reviews = 0
        of_days = marks.group_by(&:date)
        @days = of_days.transform_values { |of_day| tally(of_day) }.freeze
        @then = of_days.transform_values { |of_day| asked_then(of_day) }
        by_day = results.group_by(&:date).transform_values { |of_day| last_word(of_day) }
        (@days.keys | by_day.keys).sort.each do |date|
          practised(date)
          hear(by_day[date]) if by_day[date]
          @steady_on = full? ? (@steady_on || date) : nil
        end
      end

      def secure? = @secure && full?

      # Heard "not yet", or marked as hard on two days: it wants a smaller form.
      # @return [Boolean]
      def troubled? = @not_yet || @days.values.count { |day| day[:struggle] } >= 2

      # Heard "not yet", and not caught up since.
      # @return [Boolean]
      def fallen? = @not_yet == true && !full?

      def full? = @credited >= @good_days

      def begun? = @credited.positive? || @days.any?

      # @param date [Date]
      def good?(date)
        day = @days[date]
        day && day[:repetitions] >= (@asked[date] || @then[date] || @step.repetitions) &&
          !day[:struggle]
      end

      private

      # A result of the step itself counts before one of a step that contains it.
      def last_word(of_day)
        contained, own = of_day.partition(&:contained).map { |results| results.max_by(&:at) }
        (own.nil? || own.result == :not_heard) ? contained || own : own
      end

      # A day of practice: a good day for what is learnt, a review of what is
      # secure; one that is a struggle is secure no more.
      def practised(date)
        day = @days[date] or return

        @secure = false if @secure && day[:struggle]
        @reviews += 1 if secure? && day[:repetitions].positive?
        return unless good?(date) && @credited < @good_days

        @credited += 1
        @good_dates << date
      end

      # What hurts is no good day either.
      def tally(marks)
        {
          repetitions: marks.count { |mark| mark.kind == :repetition },
          struggle: marks.any? { |mark| %i[struggle hurts].include?(mark.kind) }
        }
      end

      # What stood on the sheet when it was tapped last, which on a short day may be fewer; no day
      # asks for less than makes a good one.
      def asked_then(marks) =
        marks.select(&:asked).max_by(&:at)&.asked&.clamp(@step.least, @step.repetitions)

      def hear(result)
        return if result.result == :not_heard

        @last_result = result unless result.contained
        case result.result
        when :not_yet
          @not_yet = true
          @credited /= 2
          @secure = false
        when :shaky
          @good_days = [@good_days, @credited + 1].max
          @secure = false
        when :steady, :secure
          @credited = @good_days
          return if result.contained

          @reviews = 0 unless secure? && result.result == :secure
          @secure = result.result == :secure
        end
      end
    end
  end
end
