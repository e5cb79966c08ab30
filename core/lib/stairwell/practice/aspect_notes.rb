# frozen_string_literal: true

module Stairwell
  module Practice
    # What a stage is about at its bars, in words: shapes to block, what to say in counting, how
    # notes are touched, whose the tune is, when the pedal changes.
    class AspectNotes
      # Bars whose counting is written out.
      WRITTEN_OUT = 4
      private_constant :WRITTEN_OUT

      # @param map [Score::Map]
      # @param counting [Symbol] of {Aspects::Counting::SYSTEMS}
      def initialize(map, counting: Aspects::Counting::SYSTEMS.first)
        @map = map
        @counting = Aspects::Counting.new(counting)
        @values = Sections::Values.new(map)
      end

      # @param stage [Stage]
      # @param bars [Array<Integer>]
      # @param hands [Symbol] :right, :left or :both
      # @return [Array<Phrase>]
      def of(stage, bars, hands)
        return [*shapes(bars), *patterns(bars, hands)].compact if stage.actions.value?(:block)

        case stage.aspect
        when :rhythm
          [counting(bars, hands)].compact
        when :articulation
          articulation(bars, hands)
        when :voicing
          tune(bars)
        when :pedal
          [pedal(bars)].compact
        else
          []
        end
      end

      private

      def notes(bar, hand) = @map.notes.dig(bar, hand).to_a

      # Typed degrees come before those that are heard.
      def shapes(bars)
        typed =
          @map
            .markings
            .harmony
            .select { |one| bars.any? { |bar| one.span.cover?(bar) } }
            .map { |one| [one.span.from, one.words] }
        chords = typed.any? ? typed : harmony.chords(bars).map { |one| [one.bar, one.degree] }
        [
          (
            if chords.any?
              Phrase[
                "practice.aspect_notes.shapes",
                chords:
                  Phrase.list(
                    chords.map do |bar, degree|
                      Phrase["practice.aspect_notes.shape", bar: @map.bar(bar).name, degree: degree]
                    end,
                    by: :comma
                  )
              ]
            end
          )
        ]
      end

      def harmony = @harmony ||= Aspects::Harmony.new(@map)

      def patterns(bars, hands)
        @map
          .markings
          .patterns
          .select do |one|
            (one.hand.nil? || [one.hand, :both].include?(hands)) &&
              bars.any? { |bar| one.span.cover?(bar) }
          end
          .map(&:words)
      end

      # Of the hand that has more to count.
      def counting(bars, hands)
        return if bars.size > WRITTEN_OUT

        hand =
          Sections::Likeness::HANDS
            .select { |one| [one, :both].include?(hands) }
            .max_by { |one| bars.sum { |bar| notes(bar, one).map(&:onset).uniq.size } }
        said = bars.map { |bar| @counting.say(@map.bar(bar), notes(bar, hand)) }
        if said.any? { |one| !one.empty? }
          Phrase[
            "practice.aspect_notes.say",
            counted: said.map { |one| one.empty? ? "–" : one }.join(" | ")
          ]
        end
      end

      def articulation(bars, hands)
        @articulations ||= Aspects::Articulations.new(@map)
        of = ->(one) { [one.hand, :both].include?(hands) || hands == :both }
        by_value =
          @articulations
            .by_value(bars)
            .select(&of)
            .map do |one|
              Phrase[
                "sections.preview.by_value",
                hand: Phrase["hands.#{one.hand}"],
                value: @values.name(one.length),
                articulation: Phrase["articulations.#{one.articulation.tr(" ", "_")}"]
              ]
            end
        pairs =
          @articulations
            .pairs(bars)
            .select(&of)
            .map do |one|
              Phrase[
                "practice.aspect_notes.pairs",
                hand: Phrase["hands.#{one.hand}"],
                count: one.count
              ]
            end
        by_value + pairs
      end

      def tune(bars)
        @tune ||= Aspects::Tune.new(@map).stretches
        here = @tune.select { |one| bars.any? { |bar| bar.between?(one.from, one.to) } }
        here
          .map(&:hand)
          .uniq
          .map { |hand| Phrase["practice.aspect_notes.tune", hand: Phrase["hands.#{hand}"]] }
      end

      def pedal(bars)
        found = (@pedalling ||= Aspects::Pedalling.new(@map)).in(bars)
        Phrase["sections.preview.pedal_#{found.pattern}"] if found&.pattern
      end
    end
  end
end
