# frozen_string_literal: true

module Stairwell
  module Sections
    # Suggests spots: a few notes that need work of their own. The teacher marks
    # them or dismisses them ("no spot"), and neither is suggested again.
    class Spots
      # @param map [Score::Map]
      def initialize(map)
        @map = map
        @settled = map.markings.spots + map.markings.dismissed
      end

      # @return [Array<Score::Spot>] in printed order
      def suggested
        found = Likeness::HANDS.flat_map { |hand| of(hand) }
        # What is met again and again is told where it is met first.
        found
          .sort_by { |one| one.span.from }
          .uniq { |one| [one.hand, one.text] }
          .reject { |one| settled?(one) }
          .uniq { |one| [one.span, one.hand] }
          .sort_by { |one| [one.span.from, one.span.from_beat || 1] }
      end

      private

      def of(hand)
        reach = Reach.new(@map, hand)
        changes =
          reach.changes.map do |bar, beat, pitch, kind|
            spot(
              hand,
              bar,
              beat,
              (
                if kind == :crossing
                  Phrase["sections.spots.fingers_cross_at", pitch: pitch.name]
                else
                  Phrase["sections.spots.change_the_finger_on", pitch: pitch.name]
                end
              )
            )
          end
        shifts =
          reach
            .shifts
            .select { |one| one.far > Constants::WIDE_LEAP - Constants::HAND_POSITION }
            .map do |one|
              spot(
                hand,
                one.bar,
                one.beat,
                Phrase["sections.spots.far_move_to", pitch: one.pitch.name]
              )
            end
        changes + shifts + figures(hand)
      end

      # Of each figure of rhythm the first place.
      def figures(hand)
        Aspects::Rhythms
          .new(@map, hand)
          .figures
          .uniq(&:kind)
          .map { |one| spot(hand, one.bar, one.beat, Phrase["sections.spots.#{one.kind}"]) }
      end

      # From the beat before, so that the way there is practised too.
      def spot(hand, bar, beat, text)
        from = (beat > 1) ? [bar, [beat - 1, 1r].max] : [[bar - 1, 1].max, nil]
        from_beat =
          (from.first < bar) ? @map.bar(from.first).counts.floor.clamp(1, nil).to_r : from.last
        from_beat = nil if from_beat == 1
        to_beat = (beat == @map.bar(bar).counts.floor) ? nil : beat
        Score::Spot.new(
          span: Score::Span.new(from: from.first, to: bar, from_beat: from_beat, to_beat: to_beat),
          hand: hand,
          text: text
        )
      end

      def settled?(spot)
        @settled.any? { |one| [nil, spot.hand].include?(one.hand) && one.span.overlap?(spot.span) }
      end
    end
  end
end
