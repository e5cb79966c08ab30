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
        @map = @suggested ? map.with(sections: Suggestion.new(map).sections) : map
        @share = NewShare.new(map)
        @kinship = Kinship.new(map) if map.notes?
        @form = Form.new(@map, Roadmap.read(@map))
        @seams = Seams.new(@map)
        @layers = Layers.new(map)
      end

      # @return [Boolean] whether the sections are a suggestion
      def suggested? = @suggested

      # @return [Hash{String => Object}] JSON-ready
      def summary
        {
          "title" => map.title, "bars_printed" => map.bars.size, "lines" => map.layout.lines.size, "pages" => map.layout.pages.size,
          "keys" => map.keys.map(&:to_s), "meters" => map.meters.map(&:to_s), "bars" => bars, "new_bars" => @share.new_bars.to_f.round(4),
          "new_share" => (@share.new_bars / map.bars.size).to_f.round(4), "suggested" => suggested?,
          "sections" => map.sections.map { |one| section(one) }, "form" => @form.labels, "seams" => @form.seams.map { |seam| seam(@seams.facts(seam)) },
          "look" => Look.new(map).facts.map { |one| {"topic" => one.topic, "text" => one.text, "bars" => one.bars, "caution" => one.caution}.compact },
          "spots" => Spots.new(map).suggested.map { |one| {"span" => [one.span.from, one.span.to], "hand" => one.hand&.to_s, "text" => one.text} }
        }
      end

      private

      def bars
        map.bars.map do |bar|
          next {"bar" => bar.index, "together" => {"relation" => @share.relation(bar.index).to_s}} unless @kinship

          relations = @kinship.bars[bar.index - 1]
          also = Kinship::HANDS.to_h { |hand| [hand.to_s, @kinship.also(bar.index, hand).map(&:to_s)] }.reject { |_, all| all.empty? }
          differs = differing(bar.index, relations)
          {
            "bar" => bar.index, **%i[right left together].to_h { |hands| [hands.to_s, relation(relations[hands])] },
            **{"also" => also, "differs" => differs}.reject { |_, found| found.empty? }
          }
        end
      end

      # Layers in which a bar is not like the one whose notes it has.
      def differing(bar, relations)
        Kinship::HANDS.to_h { |hand|
          same = relations[hand]
          [hand.to_s, (same.name == :same) ? @layers.between(bar, same.of, hand).map(&:to_s) : []]
        }.reject { |_, names| names.empty? }
      end

      def relation(one)
        by = one.by.is_a?(Hash) ? {"steps" => one.by[:steps]} : one.by
        {"relation" => one.name.to_s, "of" => one.of, "by" => by}.compact
      end

      def section(one)
        {
          "label" => one.label, "spans" => one.spans.map { |span| [span.from, span.to] },
          "kin" => one.kin && {"of" => one.kin.of, "relation" => one.kin.relation.to_s, "except" => one.kin.except}
        }
      end

      def seam(facts)
        {
          "from" => facts.seam.from, "to" => facts.seam.to, "from_bar" => facts.seam.from_bar, "to_bar" => facts.seam.to_bar,
          "rest_counts" => facts.rest_counts && Roadmap.number(facts.rest_counts), "leap" => facts.leap.transform_keys(&:to_s),
          "turn" => facts.turn, "jump" => facts.jump, "hard" => facts.hard?
        }
      end
    end
  end
end
