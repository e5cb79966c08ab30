# frozen_string_literal: true

module Stairwell
  module Aspects
    # Where a hand lies, and how it comes from one place to the next.
    class Places
      # As long as the hand lies still: its touches with their fingers.
      Place =
        Stairwell.value(:fingers) do
          def bar = fingers.first.touch.bar
          def beat = fingers.first.touch.beat

          # @return [Array(Integer, Score::Pitch)] with which finger it begins on which key
          def start = [fingers.first.fingers.first, fingers.first.touch.notes.first.pitch]

          # @return [Array(Integer, Score::Pitch)] the same of its outermost finger
          def outermost = [fingers.first.fingers.last, fingers.first.touch.notes.last.pitch]

          # @return [Boolean] whether the first finger is printed or typed
          def said? = fingers.first.said.first
        end

      # @return [Line]
      attr_reader :line

      # @param line [Line]
      # @param fingering [Fingering] of it
      def initialize(line, fingering = Fingering.new(line))
        @line = line
        @fingers = fingering.fingers
      end

      # @return [Array<Place>] in printed order
      def all
        @all ||=
          @fingers
            .each_with_index
            .with_object([]) do |(one, at), found|
              together = [*found.last&.last, *thumbs(one)].minmax
              if found.empty? || together.last - together.first > Constants::OPENS ||
                   said_elsewhere?(one, @fingers[at + 1], found.last.last)
                next found << [[one], thumbs(one).minmax]
              end

              found.last.first << one
              found.last[1] = together
            end
            .map { |fingers, _| Place.new(fingers: fingers) }
      end

      # @return [Array<Move>] from one place to the next
      def moves = @moves ||= all.each_cons(2).map { |from, to| move(from, to) }

      private

      # A finger that is printed puts the hand elsewhere, also by one step, unless the next one has
      # it back.
      def said_elsewhere?(one, following, place)
        return false unless one.said?

        away = ->(touch) { thumbs(touch).none? { |thumb| thumb.between?(*place) } }
        away[one] && (following.nil? || away[following])
      end

      # Where the thumb lies if each finger lies over its own key, in staff steps outward.
      def thumbs(one) =
        one
          .touch
          .notes
          .zip(one.fingers)
          .map { |note, finger| @line.outward * note.pitch.staff_step - (finger - 1) }

      def move(from, to)
        before, after = from.fingers.last, to.fingers.first
        steps = (thumbs(after).first - thumbs(before).first) * @line.outward
        finger, pitch = steps.zero? ? to.outermost : to.start
        Move.new(
          hand: @line.hand,
          bar: after.touch.bar,
          beat: after.touch.beat,
          at: after.touch.at,
          from: before.touch.at,
          steps: steps,
          far: far(before.touch, after.touch),
          time: time(before.touch, after.touch),
          crossing: crossing?(before, after),
          guide: guide(from, after),
          held: held(from, after.touch),
          finger: finger,
          pitch: pitch,
          said: to.said?
        )
      end

      # Semitones to the nearest of what is played next.
      def far(before, after) =
        before.keys.product(after.keys).map { |one, other| (other - one).abs }.min

      # Counts in which the hand rests, and what its last touch is longer than one: it may be let
      # go.
      def time(before, after)
        count = @line.map.bar(before.bar).meter.count_length
        rest = [after.at - before.ends, 0r].max / count
        rest + [([before.ends, after.at].min - before.at) / count - 1, 0r].max
      end

      def crossing?(before, after)
        return false unless before.touch.single? && after.touch.single?

        way = @line.outward * (after.touch.keys.first - before.touch.keys.first)
        (way <=> 0) * (after.fingers.first <=> before.fingers.first) == -1 &&
          before.touch.ends >= after.touch.at &&
          [before, after].any? { |one| one.fingers.first == 1 }
      end

      # A finger that keeps its key, or goes to the one beside it, and leads the hand.
      def guide(from, after)
        keys =
          from
            .fingers
            .last(Constants::REMEMBERED)
            .each_with_object({}) do |one, found|
              one.fingers.zip(one.touch.notes) { |finger, note| found[finger] = note.pitch }
            end
        after
          .fingers
          .zip(after.touch.notes, after.said)
          .filter_map do |finger, note, said|
            before = keys[finger] or next
            steps = (note.pitch.staff_step - before.staff_step).abs
            Guide.new(finger: finger, from: before, to: note.pitch, said: said) if steps <= 1
          end
          .min_by { |one| [one.keeps? ? 0 : 1, one.finger] }
      end

      # What the hand still holds while it moves.
      def held(from, after) =
        from.fingers.map(&:touch).select { |touch| touch.ends > after.at }.flat_map(&:pitches).first
    end
  end
end
