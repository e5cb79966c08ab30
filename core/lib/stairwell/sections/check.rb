# frozen_string_literal: true

module Stairwell
  module Sections
    # Says what is wrong with sections as a person marked them.
    class Check
      # @param map [Score::Map]
      # @return [Array<Roadmap::Diagnostic>]
      def self.call(map) = new(map).call

      def initialize(map)
        @map = map
        @wording = Roadmap::Wording.new(map)
      end

      # @return [Array<Roadmap::Diagnostic>]
      def call = past_the_end + overlaps + twice + variant + outside

      private

      def past_the_end
        @map.sections.flat_map do |section|
          section.spans.reject { |span| span.from >= 1 && span.to <= @map.bars.size && span.from <= span.to }.map do |span|
            told(:section_off_page, nil, "Section #{section.label} runs from bar #{span.from} to #{span.to}, but the piece has " \
              "#{@map.bars.size} bars. Correct its bars.", mend: shortened(section, span))
          end
        end
      end

      def overlaps
        @map.sections.combination(2).filter_map do |one, other|
          shared = one.spans.product(other.spans).find { |a, b| a.overlap?(b) }
          next unless shared

          bar = shared.map(&:from).max
          told(:sections_overlap, bar, "Sections #{one.label} and #{other.label} both hold #{@wording.bar(bar)}. " \
            "It is counted to #{one.label}; shorten one of them.", mend: apart(one, other, *shared))
        end
      end

      def twice
        @map.sections.map(&:label).tally.select { |_, count| count > 1 }.map do |label, _|
          told(:label_twice, @map.sections.reverse.find { |one| one.label == label }.spans.first.from,
            "Two sections are called #{label}. Give one of them another name, or make it a second place of the first.")
        end
      end

      def variant
        @map.sections.each_with_index.filter_map do |section, at|
          next unless section.variant && @map.sections.first(at).none? { |earlier| earlier.label == section.variant.of }

          told(:kin_unknown, section.spans.first.from, "Section #{section.label} is said to be like #{section.variant.of}, " \
            "but no section before it has that name. It is taken as new; correct the name.",
            mend: changed("Take it as new", section, variant: nil))
        end
      end

      # Bars in no section are never practised, and nothing on the page shows it.
      def outside
        return [] if @map.sections.empty?

        held = @map.sections_by_bar
        runs = @map.bars.map(&:index).reject { |bar| held.key?(bar) }.slice_when { |bar, following| following != bar + 1 }
        runs.map { |run| told(:in_no_section, run.first, "#{left_over(run)} in no section, so nobody practises #{(run.size == 1) ? "it" : "them"}. #{mend(run)}", grave: false, mend: widened(run)) }
      end

      def left_over(run)
        return "The pickup lies" if run == [1] && @map.pickup?

        (run.size == 1) ? "#{@wording.bar(run.first).capitalize} lies" : "Bars #{@map.bar(run.first).name} to #{@map.bar(run.last).name} lie"
      end

      def mend(run)
        found = neighbour(run)
        if found
          "Let #{found.first.label} #{(found.last == :from) ? "begin" : "end"} there, or mark a section."
        else
          "Mark a section there."
        end
      end

      def widened(run)
        section, side = neighbour(run)
        return unless section

        spans = section.spans.map { |span| widen(span, run, side) }
        changed("Let #{section.label} #{(side == :from) ? "begin" : "end"} there", section, spans: spans)
      end

      def widen(span, run, side)
        return (span.from == run.last + 1 && span.from_beat.nil?) ? span.with(from: run.first) : span if side == :from

        (span.to == run.first - 1 && span.to_beat.nil?) ? span.with(to: run.last) : span
      end

      # A pickup belongs to what follows; other bars to what they follow.
      # @return [Array(Score::Section, Symbol), nil]
      def neighbour(run)
        before = @map.sections.find { |one| one.spans.any? { |span| span.to == run.first - 1 && span.to_beat.nil? } }
        after = @map.sections.find { |one| one.spans.any? { |span| span.from == run.last + 1 && span.from_beat.nil? } }
        return [after, :from] if after && (before.nil? || run == [1])

        [before, :to] if before
      end

      def changed(words, section, **changes)
        Roadmap::Mend.new(words: words, drop: [[:sections, section]], put: [[:sections, section.with(**changes)]])
      end

      def shortened(section, span)
        return unless span.from.between?(1, @map.bars.size)

        inside = span.with(to: @map.bars.size, to_beat: nil)
        changed("End it with the last bar", section, spans: section.spans.map { |one| (one == span) ? inside : one })
      end

      # The one that begins first ends where the other begins.
      def apart(one, other, span, later)
        one, _, span, later = other, one, later, span if later.from < span.from
        return if later.from == span.from || later.from_beat

        shorter = span.with(to: later.from - 1, to_beat: nil)
        changed("End #{one.label} before #{@wording.bar(later.from)}", one, spans: one.spans.map { |place| (place == span) ? shorter : place })
      end

      def told(code, bar, message, **more) = Roadmap::Diagnostic.new(code: code, bar: bar, message: message, **more)
    end
  end
end
