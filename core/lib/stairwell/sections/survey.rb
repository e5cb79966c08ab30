# frozen_string_literal: true

module Stairwell
  module Sections
    # The look at a piece before playing: what is new, what comes back, where it
    # joins. Sections are the teacher's, or suggested where there are none.
    class Survey
      # @return [Score::Map] with its sections
      attr_reader :map

      # @param map [Score::Map]
      def initialize(map)
        @suggested = map.sections.empty?
        @cuts = Cuts.of(map)
        @map = @suggested ? map.with(sections: Suggestion.new(map, @cuts).sections) : map
        @share = NewShare.new(map)
        @likeness = Likeness.new(map) if map.notes?
        @form = Form.new(@map, Roadmap.read(@map))
        @joins = Joins.new(@map)
        @layers = Layers.new(map)
      end

      # @return [Boolean] whether the sections are a suggestion
      def suggested? = @suggested

      # @return [Hash{String => Object}] JSON-ready
      def summary
        {
          "title" => map.title,
          "bars_printed" => map.bars.size,
          "lines" => map.layout.lines.size,
          "pages" => map.layout.pages.size,
          "keys" => map.keys.map(&:to_s),
          "meters" => map.meters.map(&:to_s),
          "bars" => bars,
          "new_bars" => @share.new_bars.to_f.round(4),
          "new_share" => (@share.new_bars / map.bars.size).to_f.round(4),
          "suggested" => suggested?,
          "numbers" => map.bars.map(&:number),
          "sections" => map.sections.map { |one| section(one) },
          "parts" => parts.map { |span| [span.from, span.to] },
          "phrases" => @cuts.phrases.map { |span| [span.from, span.to] },
          "form" => @form.labels,
          "seams" => @form.joins.map { |join| join(@joins.facts(join)) },
          "look" =>
            Preview
              .new(map)
              .facts
              .map do |one|
                {
                  "topic" => one.topic,
                  "text" => one.text,
                  "bars" => one.bars,
                  "caution" => one.caution,
                  "worked_out" => (true if one.worked_out)
                }.compact
              end,
          "spots" =>
            Spots
              .new(map)
              .suggested
              .map do |one|
                {
                  "span" => [one.span.from, one.span.to],
                  "hand" => one.hand&.to_s,
                  "text" => one.text
                }
              end
        }
      end

      private

      def bars
        map.bars.map do |bar|
          unless @likeness
            next(
              {
                "bar" => bar.index,
                "together" => {
                  "relation" => @share.relation(bar.index).to_s
                }
              }
            )
          end

          relations = @likeness.bars[bar.index - 1]
          also =
            Likeness::HANDS
              .to_h { |hand| [hand.to_s, @likeness.also(bar.index, hand).map(&:to_s)] }
              .reject { |_, all| all.empty? }
          differs = differing(bar.index, relations)
          {
            "bar" => bar.index,
            **%i[right left together].to_h { |hands| [hands.to_s, relation(relations[hands])] },
            **{ "also" => also, "differs" => differs }.reject { |_, found| found.empty? }
          }
        end
      end

      # Those that were typed, else those that are heard.
      def parts = map.markings.parts.any? ? map.markings.parts.map(&:span) : @cuts.parts

      # What the printed survey calls the layers; its keys stay as they are.
      PRINTED = { articulation: :touch, dynamics: :loudness }.freeze
      private_constant :PRINTED

      # Layers in which a bar is not like the one whose notes it has.
      def differing(bar, relations)
        Likeness::HANDS
          .to_h do |hand|
            same = relations[hand]
            [
              hand.to_s,
              (
                if same.name == :same
                  @layers
                    .between(bar, same.of, hand)
                    .map { |layer| PRINTED.fetch(layer, layer).to_s }
                else
                  []
                end
              )
            ]
          end
          .reject { |_, names| names.empty? }
      end

      def relation(one)
        by = one.by.is_a?(Hash) ? { "steps" => one.by[:steps] } : one.by
        { "relation" => one.name.to_s, "of" => one.of, "by" => by }.compact
      end

      def section(one)
        {
          "label" => one.label,
          "spans" => one.spans.map { |span| [span.from, span.to] },
          "kin" =>
            one.variant &&
              {
                "of" => one.variant.of,
                "relation" => one.variant.relation.to_s,
                "except" => one.variant.except
              }
        }
      end

      def join(facts)
        {
          "from" => facts.join.from,
          "to" => facts.join.to,
          "from_bar" => facts.join.from_bar,
          "to_bar" => facts.join.to_bar,
          "rest_counts" => facts.rest_counts && Roadmap.number(facts.rest_counts),
          "leap" => facts.leap.transform_keys(&:to_s),
          "time" =>
            facts.time.to_h { |hand, counts| [hand.to_s, counts && Roadmap.number(counts)] },
          "turn" => facts.turn,
          "jump" => facts.jump,
          "hard" => facts.hard?
        }
      end
    end
  end
end
