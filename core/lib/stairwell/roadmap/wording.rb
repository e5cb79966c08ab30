# frozen_string_literal: true

module Stairwell
  module Roadmap
    # Writes places the way people say them.
    class Wording
      def initialize(map)
        @map = map
        @layout = map.layout
      end

      # @param index [Integer]
      # @return [String] such as "bar 21 (page 13, line 1, bar 4)"
      def bar(index)
        address = @layout.address(index)
        name = @map.bar(index)&.name || "##{index}"
        if address.nil? || @layout.assumed? || address.bar.zero?
          return Phrase["roadmap.diagnostic.bar", name: name]
        end

        Phrase["roadmap.diagnostic.bar_at", name: name, address: address.said]
      end

      # @param span [Score::Span]
      # @return [String] such as "bars 9–12"
      def bars(span)
        from, to = [span.from, span.to].map { |index| @map.bar(index)&.name || "##{index}" }
        if span.from == span.to
          Phrase["roadmap.diagnostic.bar", name: from]
        else
          Phrase["roadmap.diagnostic.bars", from: from, to: to]
        end
      end
    end
  end
end
