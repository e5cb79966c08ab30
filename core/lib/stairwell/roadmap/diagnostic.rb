# frozen_string_literal: true

module Stairwell
  module Roadmap
    # Something on the page that does not add up. It never stops the reading.
    # `code` is stable; `bar` an index or nil; `message` says what, where, what
    # was assumed and how to mend it; `grave` is false for a mere notice.
    # `mend` is a Mend where one is likely right.
    Diagnostic = Stairwell.value(:code, :bar, :message, grave: true, mend: nil)

    # What would put a page right: `words` say it as an instruction; `put` and
    # `drop` are [member of Score::Map, value] pairs.
    Mend = Stairwell.value(:words, put: [], drop: [])

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
        return Phrase["roadmap.diagnostic.bar", name: name] if address.nil? || @layout.assumed? || address.bar.zero?

        Phrase["roadmap.diagnostic.bar_at", name: name, address: address.said]
      end

      # @param span [Score::Span]
      # @return [String] such as "bars 9–12"
      def bars(span)
        from, to = [span.from, span.to].map { |index| @map.bar(index)&.name || "##{index}" }
        (span.from == span.to) ? Phrase["roadmap.diagnostic.bar", name: from] : Phrase["roadmap.diagnostic.bars", from: from, to: to]
      end
    end
  end
end
