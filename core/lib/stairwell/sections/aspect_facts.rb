# frozen_string_literal: true

module Stairwell
  module Sections
    # What the notes of a page ask besides places of the hands: rhythm and how it is counted,
    # harmony, where the tune is, articulation, pedal, and notes outside the key.
    class AspectFacts
      # @param map [Score::Map]
      # @param counting [Symbol] of {Aspects::Counting::SYSTEMS}
      def initialize(map, counting:)
        @map = map
        @counting = Aspects::Counting.new(counting)
        @wording = Roadmap::Wording.new(map)
        @values = Values.new(map)
      end

      # @return [Array<Fact>] none where no notes are known
      def facts
        return said unless @map.notes?

        [
          *rhythms,
          *harmony,
          typed(:pattern, @map.markings.patterns),
          *tune,
          *articulations,
          *pairs,
          pedal,
          *accidentals
        ].compact
      end

      private

      def fact(topic, text, **more) =
        Fact.new(topic: Phrase["sections.preview.topics.#{topic}"], text: text, **more)

      # What was typed of it.
      def said =
        [typed(:harmony, @map.markings.harmony), typed(:pattern, @map.markings.patterns)].compact

      def typed(topic, all)
        return if all.empty?

        fact(
          topic,
          Phrase.list(
            all.map do |one|
              Phrase["sections.preview.at", one: one.words, bar: @wording.bars(one.span)]
            end,
            by: :semicolon
          ),
          bars: all.map { |one| one.span.from }
        )
      end

      def rhythms
        Likeness::HANDS.filter_map do |hand|
          rhythms = Aspects::Rhythms.new(@map, hand)
          told =
            rhythms
              .all
              .first(Constants::RHYTHMS_TOLD)
              .select { |one| one.bars.size >= Constants::PATTERN_TIMES }
          next if told.empty?

          said =
            told.map do |one|
              Phrase[
                "sections.preview.rhythm",
                bar: @map.bar(one.bar).name,
                count: one.bars.size,
                of: rhythms.played,
                counted: @counting.say(@map.bar(one.bar), @map.notes.dig(one.bar, hand))
              ]
            end
          fact(
            :rhythm,
            Phrase[
              "sections.preview.of_hand",
              hand: Phrase["hands.#{hand}"],
              text: Phrase.list(said, by: :semicolon)
            ],
            bars: told.map(&:bar),
            worked_out: true
          )
        end
      end

      def harmony
        return [typed(:harmony, @map.markings.harmony)] if @map.markings.harmony.any?

        degrees = Aspects::Harmony.new(@map).degrees
        return [] if degrees.empty?

        [
          fact(
            :harmony,
            Phrase.list(
              degrees.map do |degree, bars|
                Phrase["sections.preview.degree", degree: degree, bars: ranges(bars)]
              end,
              by: :semicolon
            ),
            bars: degrees.values.map(&:first),
            worked_out: true
          )
        ]
      end

      def tune
        all = Aspects::Tune.new(@map).stretches
        return [] if all.map(&:hand).uniq == [:right] && all.none?(&:over)

        said =
          all
            .group_by(&:hand)
            .map do |hand, some|
              Phrase[
                "sections.preview.tune",
                hand: Phrase["hands.#{hand}"],
                bars: ranges(some.flat_map { |one| (one.from..one.to).to_a })
              ]
            end
        if all.map(&:hand).uniq.one?
          said = [
            Phrase["sections.preview.tune_throughout", hand: Phrase["hands.#{all.first.hand}"]]
          ]
        end
        [fact(:tune, Phrase.list(said, by: :semicolon), bars: all.map(&:from), worked_out: true)]
      end

      def articulations
        Aspects::Articulations
          .new(@map)
          .by_value
          .map do |one|
            fact(
              :articulation,
              Phrase[
                "sections.preview.by_value",
                hand: Phrase["hands.#{one.hand}"],
                value: @values.name(one.length),
                articulation: Phrase["articulations.#{one.articulation.tr(" ", "_")}"]
              ],
              worked_out: true
            )
          end
      end

      def pairs
        Aspects::Articulations
          .new(@map)
          .pairs
          .map do |one|
            fact(
              :articulation,
              Phrase[
                "sections.preview.pairs",
                hand: Phrase["hands.#{one.hand}"],
                count: one.count,
                bars: ranges(one.bars)
              ],
              bars: one.bars,
              worked_out: true
            )
          end
      end

      def pedal
        found = Aspects::Pedalling.new(@map).in
        if found&.pattern
          fact(
            :pedal,
            Phrase["sections.preview.pedal_#{found.pattern}"],
            bars: found.bars,
            worked_out: true
          )
        end
      end

      def accidentals
        Aspects::Accidentals
          .new(@map)
          .regions
          .group_by { |one| [one.names.map(&:to_s), one.why, one.key, one.targets] }
          .values
          .map do |same|
            first = same.first
            fact(
              :outside_the_key,
              Phrase[
                "sections.preview.outside",
                where:
                  Phrase.list(
                    same.map { |one| @wording.bars(Score::Span.new(from: one.from, to: one.to)) },
                    by: :comma
                  ),
                names: Phrase.list(first.names, by: :comma),
                why: why(first)
              ],
              bars: same.flat_map(&:bars)
            )
          end
      end

      def why(region)
        case region.why
        when :seventh
          Phrase["sections.preview.raised_steps"]
        when :key
          region.key.name
        when :leads
          Phrase[
            "sections.preview.leads_to",
            keys: Phrase.list(region.targets.map { |one| Score::Names.of(one) }, by: :comma)
          ]
        when :beside
          Phrase["sections.preview.beside"]
        else
          Phrase["sections.preview.colour"]
        end
      end

      # Bars that follow each other as one stretch: "1–4, 7".
      def ranges(bars)
        runs =
          bars
            .uniq
            .sort
            .slice_when { |one, other| other > one + 1 }
            .map { |run| [run.first, run.last].uniq.map { |bar| @map.bar(bar).name }.join("–") }
        Phrase.list(runs, by: :comma)
      end
    end
  end
end
