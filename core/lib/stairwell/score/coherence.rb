# frozen_string_literal: true

module Stairwell
  module Score
    # Whether what a document says fits together: everything lies on the page, begins before
    # it ends and counts something. A schema says only what each value may be.
    module Coherence
      # Whole numbers as large as any that can be meant.
      LARGEST = 10**9

      module_function

      # @param map [Map]
      # @return [Map] the same
      # @raise [UnreadableError] naming what does not fit
      def check(map)
        unless map.bars.all? { |bar| sound?(bar) }
          raise UnreadableError,
                Phrase["score.document.this_document_has_a_bar_without", schema: Document::SCHEMA]
        end

        outside = bars(map).find { |bar| !bar.between?(1, map.bars.size) }
        if outside
          raise UnreadableError,
                Phrase[
                  "score.document.this_document_speaks_of_bar_but",
                  schema: Document::SCHEMA,
                  bar: outside,
                  bars: map.bars.size
                ]
        end

        backward = spans(map).find { |span| backward?(span, map) }
        if backward
          raise UnreadableError,
                Phrase[
                  "score.document.span_ends_before_it_begins",
                  schema: Document::SCHEMA,
                  from: backward.from,
                  to: backward.to
                ]
        end

        if [map.tempo, *map.markings.tempos].any? { |one| one.mark_unit&.zero? }
          raise UnreadableError,
                Phrase["score.document.tempo_counts_nothing", schema: Document::SCHEMA]
        end

        map
      end

      # @param data [Object] as JSON gives it
      # @return [String, nil] the first value that no document holds: a text with a null
      #   character, a number that is not whole or beyond all measure
      def odd(data)
        case data
        when Hash
          data.each { |key, value| (odd(key) || odd(value))&.then { |found| return found } } && nil
        when Array
          data.each { |value| odd(value)&.then { |found| return found } } && nil
        when String
          "\\u0000" if data.include?("\0")
        when Float
          data.to_s
        when Integer
          "#{data.to_s[0, 12]}…" if data.abs > LARGEST
        end
      end

      def sound?(bar) =
        bar.length.positive? && bar.length <= Constants::LONGEST_BAR && bar.meter.beats.positive?

      # Every bar something stands at.
      def bars(map)
        signs =
          Document::MARKS.flat_map { |member| map[member] } +
            map.jumps.flat_map { |one| [one.after, one.sign].compact } +
            map.leaves.flat_map { |one| [one.after, one.to] }
        placed = [
          *map.keys,
          *map.clefs,
          *map.markings.fermatas,
          *map.markings.starts,
          *map.markings.tempos
        ].map(&:bar)
        [
          *signs,
          *placed,
          *spans(map).flat_map { |span| [span.from, span.to] },
          *map.repeats.flat_map { |one| [one.from, one.to].compact },
          *map.notes.keys,
          *map.phrasing.to_h.values.flatten(1).map(&:first),
          *(map.unread + map.assumed).flat_map(&:last),
          *map.sections.filter_map(&:variant).flat_map(&:except)
        ]
      end

      def spans(map)
        marked =
          Markings
            .members
            .flat_map { |member| Array(map.markings[member]) }
            .filter_map { |one| one.is_a?(Span) ? one : (one.span if one.respond_to?(:span)) }
        [
          *marked,
          *map.sections.flat_map(&:spans),
          *map.endings.map(&:span),
          *map.repeats.select(&:from).map { |one| Span.new(from: one.from, to: one.to) }
        ]
      end

      # From beat to beat where it lies in one bar; a beat is one of its bar.
      def backward?(span, map)
        beats = [[span.from, span.from_beat], [span.to, span.to_beat]].select(&:last)
        if span.from > span.to ||
             beats.any? { |bar, beat| beat < 1 || beat >= map.bar(bar).counts + 1 }
          return true
        end

        span.from == span.to && span.from_beat && span.to_beat && span.from_beat > span.to_beat
      end
      private_class_method :sound?, :bars, :spans, :backward?
    end
  end
end
