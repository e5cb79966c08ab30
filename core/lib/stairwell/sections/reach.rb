# frozen_string_literal: true

module Stairwell
  module Sections
    # Where a hand lies, how far it has to open and where it moves, from the
    # notes alone.
    class Reach
      # A place where the hand has to leave its position: bar, beat, the note it
      # goes to, and how far that lies outside, in semitones.
      Shift = Stairwell.value(:bar, :beat, :pitch, :far)
      # The widest notes struck or held together: semitones, and where.
      Stretch = Stairwell.value(:semitones, :low, :high, :bar, :beat)
      # A note or notes together of one hand, in printed order, the lowest first.
      Touch =
        Struct.new(:bar, :beat, :onset, :notes) do
          # @return [Range] keys, as MIDI notes
          def keys = @keys ||= (notes.first.pitch.midi..notes.last.pitch.midi)
        end
      private_constant :Touch

      # @param map [Score::Map]
      # @param hand [Symbol] :right or :left
      def initialize(map, hand)
        @map = map
        @touches = touches(hand)
      end

      # @return [Boolean] whether the hand plays at all
      def plays? = @touches.any?

      # @return [Array(Score::Pitch, Score::Pitch), nil] lowest and highest
      def range
        pitches = @touches.flat_map(&:notes).map(&:pitch)
        pitches.minmax_by(&:midi) if pitches.any?
      end

      # @param bars [Array<Integer>, nil] only there
      # @return [Stretch, nil] nil when one note sounds at a time
      def widest(bars = nil)
        touches = bars ? @touches.select { |one| bars.include?(one.bar) } : @touches
        touches.filter_map { |one| stretch(one) }.max_by(&:semitones)
      end

      # @return [Array(Score::Pitch, Score::Pitch), nil] lowest and highest note
      #   of the first position
      def start
        held = nil
        first =
          @touches.take_while do |one|
            together = around(held, one.keys)
            (held.nil? || wide(together) <= Constants::HAND_POSITION).tap { held = together }
          end
        first.flat_map(&:notes).map(&:pitch).minmax_by(&:midi) if first.any?
      end

      # A position holds as long as the notes since its start lie within a fifth.
      # @return [Array<Shift>]
      def shifts
        held = nil
        @touches.filter_map do |one|
          together = around(held, one.keys)
          next (held = together) && nil if held.nil? ||
            wide(together) <= Constants::HAND_POSITION || wide(one.keys) > Constants::HAND_POSITION

          held = one.keys
          Shift.new(
            bar: one.bar,
            beat: one.beat,
            pitch: one.notes.first.pitch,
            far: wide(together) - Constants::HAND_POSITION
          )
        end
      end

      # @return [Array<Array(Integer, Rational, Score::Pitch)>] bar, beat and key
      #   where a finger gives way to another on the same key, or a later note
      #   goes the other way than the fingers (a crossing)
      def changes
        @touches
          .each_cons(2)
          .filter_map do |one, other|
            before, after = one.notes.last, other.notes.first
            next unless before.finger && after.finger && one.notes.one? && other.notes.one?

            same_key = before.pitch == after.pitch && before.finger != after.finger
            crossing =
              (after.pitch.midi <=> before.pitch.midi) * (after.finger <=> before.finger) ==
                -@outward
            if same_key || crossing
              [other.bar, other.beat, after.pitch, same_key ? :finger_change : :crossing]
            end
          end
      end

      private

      def touches(hand)
        @outward = (hand == :right) ? 1 : -1
        @map.notes.sort.flat_map do |bar, hands|
          hands
            .fetch(hand, [])
            .reject(&:tied)
            .group_by(&:onset)
            .sort
            .map do |onset, notes|
              Touch.new(
                bar,
                1 + onset / @map.bar(bar).meter.count_length,
                onset,
                notes.sort_by { |note| note.pitch.midi }
              )
            end
        end
      end

      def stretch(one)
        return if one.notes.size < 2

        low, high = one.notes.map(&:pitch).minmax_by(&:midi)
        Stretch.new(
          semitones: high.midi - low.midi,
          low: low,
          high: high,
          bar: one.bar,
          beat: one.beat
        )
      end

      # @return [Range] keys from the lowest to the highest of both
      def around(held, keys) =
        held ? ([held.begin, keys.begin].min..[held.end, keys.end].max) : keys

      def wide(keys) = keys.end - keys.begin
    end
  end
end
