# frozen_string_literal: true

module Stairwell
  module Rows
    # What is done by each day of a week if every day goes well.
    class Ahead
      # @param standings [Hash{String => Progress::Standing}] by step id
      # @param deadline [Deadline, nil] where it has to be ready by a date
      # @yieldparam standing [Progress::Standing]
      # @yieldreturn [Integer] good days it still takes
      def initialize(standings, deadline: nil)
        @standings = standings
        @deadline = deadline
        @left = standings.transform_values { |standing| standing.done? ? 0 : yield(standing) }
        @first_left = @left
        @left = @left.dup
        @done_on = @left.select { |_, left| left.zero? }.transform_values { 0 }
        @played_on = standings.select { |_, standing| played?(standing) }.transform_values { 0 }
        @days_of = Hash.new(0)
        @fallen = standings.values.select(&:fallen).map { |standing| standing.step.id }
      end

      # @param id [String] of a step
      # @return [Boolean] whether it has all its good days
      def done?(id) = @left.fetch(id, 0).zero?

      # @param id [String]
      # @return [Integer] good days it has
      def good_days(id) = @standings[id].credited + @first_left[id] - @left[id]

      # @param sitting [String]
      # @return [Integer] days of this week on which it was played
      def days_of(sitting) = @days_of[sitting]

      # Steps that may be played on a day: what they need had its good days before that day, what
      # comes before them in the same sitting is done or played the same day.
      # @param steps [Array<Practice::Step>] in their order
      # @param day [Integer]
      # @return [Array<Practice::Step>] without those that have all their good days
      def open(steps, day)
        today = []
        steps.select do |step|
          next if done?(step.id) || !ready?(step, day, today)

          today << step.id
        end
      end

      # @param id [String]
      # @param day [Integer]
      # @return [Boolean] whether it had a day before
      def played_before?(id, day) = (on = @played_on[id]) ? on < day : !@left.key?(id)

      # @param steps [Array<Practice::Step>] that are played, and go well
      # @param day [Integer]
      # @return [void]
      def play(steps, day)
        steps.each do |step|
          @played_on[step.id] ||= day
          next if done?(step.id)

          @done_on[step.id] = day if (@left[step.id] -= 1).zero?
        end
        steps.filter_map(&:sitting).uniq.each { |sitting| @days_of[sitting] += 1 }
      end

      private

      def played?(standing) =
        standing.done? || standing.credited.positive? || standing.last_result&.result == :shaky

      def ready?(step, day, today)
        @standings[step.id].introduced && !waits_for_fallen?(step) &&
          step.needs.all? { |id| met?(step, id, day) || hurried?(step, id, day, today) } &&
          step.after.all? { |id| today.include?(id) || done?(id) || @played_on.key?(id) }
      end

      # What puts places together goes on as soon as each of them was played; what is of one place
      # waits until it went well.
      def met?(step, id, day)
        return true unless @left.key?(id)
        return (@done_on[id] || day) < day if step.section

        played_before?(id, day) || faster?(id, day)
      end

      # Toward a date stages share a day where they have to, rungs of a ladder always; and the whole
      # takes the place of joins and joined spans.
      def hurried?(step, id, day, today)
        return false unless @deadline
        return true if today.include?(id) && (@deadline.same_day || step.marks.any?)

        need = @standings[id]&.step
        !need.nil? && Places.bridge?(need) &&
          need.needs.all? { |before| met?(step, before, day) || hurried?(step, before, day, today) }
      end

      # A section needn't be faster before it's played with the others; it has to go.
      def faster?(id, day)
        step = @standings[id].step
        step.section && step.aspect == :tempo &&
          step.needs.all? { |before| played_before?(before, day) }
      end

      # What didn't go holds up all that rests on it, until it went well.
      def waits_for_fallen?(step)
        return false if @fallen.empty?

        @fallen.any? { |id| id != step.id && !done?(id) && rests_on(step).include?(id) }
      end

      def rests_on(step)
        @rests_on ||= {}
        @rests_on[step.id] ||= step.needs.flat_map do |id|
          [id, *(@standings.key?(id) ? rests_on(@standings[id].step) : [])]
        end
      end
    end
  end
end
