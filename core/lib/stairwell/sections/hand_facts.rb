# frozen_string_literal: true

module Stairwell
  module Sections
    # What one hand has to do: how far it reaches, where it lies, and how it comes from one place to
    # the next.
    class HandFacts
      # Names of intervals by scale steps up to an octave and a fifth.
      INTERVALS =
        %w[unison second third fourth fifth sixth seventh octave ninth tenth eleventh twelfth]
          .map { |name| Phrase["intervals.#{name}"] }
          .freeze
      OTHER = { right: :left, left: :right }.freeze

      # @param map [Score::Map]
      # @param hand [Symbol] :right or :left
      # @param places [Hash{Symbol => Aspects::Places}] of both hands
      # @param span [Integer, nil] semitones the student's hand reaches
      def initialize(map, hand, places:, span: nil)
        @map = map
        @hand = hand
        @span = span
        @of = places
        @reach = Reach.new(map, hand)
        @wording = Roadmap::Wording.new(map)
      end

      # @return [Array<Fact>] none where the hand does not play
      def facts
        return [] unless @reach.plays?

        [places, *moves, stretch, wide].compact
      end

      private

      def fact(text, **more) = Fact.new(topic: Phrase["hands.#{@hand}"], text: text, **more)

      def all = @of.fetch(@hand)

      def places
        bars = all.all.map(&:bar)
        where =
          case bars.size
          when 0, 1
            Phrase["sections.preview.stays_in_place"]
          when 2..Constants::PLACES_TOLD
            Phrase[
              "sections.preview.places",
              count: bars.size,
              bars: Phrase.list(all.all.map { |one| from(one) }, by: :comma)
            ]
          else
            Phrase["sections.preview.moves", count: bars.size - 1]
          end
        fact(
          Phrase.list([between(@reach.range), begins, where], by: :semicolon),
          bars: bars.drop(1).uniq
        )
      end

      def from(place) =
        if place.beat == 1
          @map.bar(place.bar).name
        else
          Phrase[
            "sections.preview.beat_of",
            bar: @map.bar(place.bar).name,
            beat: Roadmap.number(place.beat)
          ]
        end

      def names(bars) = Phrase.list(bars.uniq.map { |bar| @map.bar(bar).name }, by: :comma)

      def between(pitches) =
        Phrase["sections.preview.between", low: pitches.first.name, high: pitches.last.name]

      def begins
        first = all.all.first or
          return Phrase["sections.preview.starts_within", range: between(@reach.start)]
        finger, pitch = first.start
        Phrase[
          first.said? ? "sections.preview.starts_with" : "sections.preview.would_start_with",
          finger: finger,
          key: pitch.name
        ]
      end

      # The same move at several places is told once; all where there are few, else those for which
      # there is no time.
      def moves
        told =
          all
            .moves
            .group_by { |move| [move.finger, move.pitch, move.steps, *how(move).map(&:to_s)] }
            .values
        if told.size >= Constants::PLACES_TOLD
          told =
            told
              .reject { |same| same.first.time? || same.first.crossing }
              .max_by(Constants::PLACES_TOLD - 1) { |same| same.first.far }
              .sort_by { |same| same.first.at }
        end
        told.map do |same|
          fact(
            Phrase.list([to(same), *how(same.first)], by: :semicolon),
            bars: same.map(&:bar).uniq,
            worked_out: !same.first.said,
            starts: same.flat_map { |move| starts(move) }
          )
        end
      end

      def how(move) = [*led(move), *meanwhile(move), *time(move), *at_once(move)]

      def to(same)
        move = same.first
        where = {
          bar: where(same),
          finger: move.finger,
          key: move.pitch.name,
          count: move.steps.abs
        }
        return Phrase["sections.preview.opens_to", **where] if move.steps.zero?

        Phrase[
          move.steps.positive? ? "sections.preview.moves_up" : "sections.preview.moves_down",
          **where
        ]
      end

      def where(same)
        return @wording.bar(same.first.bar) if same.one? && same.first.beat == 1

        Phrase[
          "sections.preview.at_bars",
          count: same.size,
          bars: Phrase.list(same.map { |move| from(move) }, by: :comma)
        ]
      end

      def led(move)
        if move.crossing
          return [
            Phrase[
              (move.finger == 1) ? "sections.preview.thumb_under" : "sections.preview.finger_over",
              finger: move.finger
            ]
          ]
        end

        guide = move.guide or return []
        if guide.keeps?
          return [Phrase["sections.preview.guide_stays", finger: guide.finger, key: guide.to.name]]
        end

        [
          Phrase[
            "sections.preview.guide_leads",
            finger: guide.finger,
            from: guide.from.name,
            to: guide.to.name
          ]
        ]
      end

      def meanwhile(move) =
        move.held ? [Phrase["sections.preview.held_meanwhile", key: move.held.name]] : []

      # A crossing is made without any.
      def time(move)
        return [] if move.crossing

        [hurry(move)]
      end

      def hurry(move)
        if move.time?
          return Phrase["sections.preview.time_to_move", counts: Roadmap.number(move.time)]
        end
        if move.far > (@span || Constants::WIDE_LEAP)
          return(
            Phrase[
              "sections.preview.leap",
              semitones: Phrase["sections.preview.semitones", semitones: move.far]
            ]
          )
        end

        Phrase["sections.preview.no_time"]
      end

      # Where both hands are under way, the one with more time goes first.
      def at_once(move)
        other = others.find { |one| one.meets?(move) } or return []
        hand = Phrase["hands.#{OTHER.fetch(@hand)}"]
        unless [move, other].any?(&:time?)
          return [Phrase["sections.preview.both_at_once", hand: hand]]
        end

        [
          Phrase[
            (
              if move.time >= other.time
                "sections.preview.this_hand_first"
              else
                "sections.preview.other_hand_first"
              end
            ),
            hand: hand
          ]
        ]
      end

      def others = @of.fetch(OTHER.fetch(@hand)).moves

      # What would be noted of it.
      def starts(move)
        return [] if move.said

        start =
          Score::Start.new(
            hand: @hand,
            finger: move.finger,
            pitch: move.pitch,
            bar: move.bar,
            beat: move.beat
          )
        guide = move.guide unless move.crossing
        [start, guide && start.with(finger: guide.finger, pitch: guide.to, guide: true)].compact
      end

      def stretch
        widest = @reach.widest
        return unless widest && widest.semitones > Constants::HAND_POSITION

        over = @span && widest.semitones > @span
        wide =
          INTERVALS.fetch(
            widest.high.staff_step - widest.low.staff_step,
            Phrase["sections.preview.semitones", semitones: widest.semitones]
          )
        said =
          Phrase[
            "sections.preview.widest",
            range: between([widest.low, widest.high]),
            interval: wide,
            bar: @wording.bar(widest.bar)
          ]
        if widest.semitones > Constants::LARGEST_REACH
          said = Phrase.list([said, Phrase["sections.preview.misread"]], by: :semicolon)
        end
        if over
          said =
            Phrase.list(
              [
                said,
                Phrase["sections.preview.wider_than_the_hand", count: widest.semitones - @span]
              ],
              by: :semicolon
            )
        end
        fact(
          said,
          bars: [widest.bar],
          caution: (Cautions::ALL[:stretch].full if Cautions.wide?(widest.semitones, @span))
        )
      end

      # Chords this hand does not reach are broken.
      def wide
        bars =
          all
            .line
            .touches
            .select do |touch|
              @span &&
                (touch.keys.max - touch.keys.min).between?(@span + 1, Constants::LARGEST_REACH)
            end
            .map(&:bar)
            .uniq
        if bars.any?
          fact(
            Phrase["sections.preview.break_chords", count: bars.size, bars: names(bars)],
            bars: bars
          )
        end
      end
    end
  end
end
