# frozen_string_literal: true

module Stairwell
  module Aspects
    # Scales in a hand's line, with the fingers that handbooks give them.
    class ScaleRuns
      # @param line [Line]
      def initialize(line)
        @line = line
        @keys = line.map.keys.empty? ? [Score::Key.new(fifths: 0)] : line.map.keys
      end

      # @return [Hash{Touch => Integer}] by identity
      def fingers =
        runs.each_with_object({}.compare_by_identity) { |run, found| found.merge!(fingers_of(run)) }

      private

      # Stepwise one way, in the notes of the key, for an octave and more.
      def runs =
        Runs
          .of(@line, Constants::SCALE_RUN) do |one, other|
            step(one, other).then { |step| step if step.abs == 1 }
          end
          .select { |run| scale?(run) }

      def step(one, other) = other.notes.first.pitch.staff_step - one.notes.first.pitch.staff_step

      def key(run) = @keys.reverse.find { |one| one.bar <= run.first.bar } || @keys.first

      def scale?(run)
        names = Score::Scale.new(key(run)).names
        run.all? { |touch| names.include?(degree_name(touch.notes.first.pitch)) }
      end

      def degree_name(pitch) = "#{pitch.step}#{Score::Pitch::SIGNS.fetch(pitch.alter)}"

      # A tonic inside the run has the finger with which the scale goes on.
      def fingers_of(run)
        names = Score::Scale.new(key(run)).names
        digits = ScaleFingers.of(key(run))[(@line.hand == :right) ? 0 : 1]
        up = run.sort_by { |touch| touch.keys.first }
        inside = (@line.hand == :right) ? digits.first : digits.last
        up.each_with_object({}.compare_by_identity) do |touch, found|
          degree = names.index(degree_name(touch.notes.first.pitch))
          found[touch] = degree.zero? ? tonic(touch, up, digits, inside) : digits[degree]
        end
      end

      def tonic(touch, up, digits, inside)
        return digits.first if touch.equal?(up.first)

        touch.equal?(up.last) ? digits.last : inside
      end
    end
  end
end
