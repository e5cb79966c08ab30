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
          section
            .spans
            .reject { |span| span.from >= 1 && span.to <= @map.bars.size && span.from <= span.to }
            .map do |span|
              told(
                :section_off_page,
                nil,
                Phrase[
                  "sections.check.section_runs_from_bar_to_but",
                  label: section.label,
                  from: span.from,
                  to: span.to,
                  bars: @map.bars.size
                ],
                mend: shortened(section, span)
              )
            end
        end
      end

      def overlaps
        @map
          .sections
          .combination(2)
          .filter_map do |one, other|
            shared = one.spans.product(other.spans).find { |a, b| a.overlap?(b) }
            next unless shared

            bar = shared.map(&:from).max
            told(
              :sections_overlap,
              bar,
              Phrase[
                "sections.check.sections_and_both_hold_it_is",
                label: one.label,
                other: other.label,
                bar: @wording.bar(bar)
              ],
              mend: apart(one, other, *shared)
            )
          end
      end

      def twice
        @map
          .sections
          .map(&:label)
          .tally
          .select { |_, count| count > 1 }
          .map do |label, _|
            told(
              :label_twice,
              @map.sections.reverse.find { |one| one.label == label }.spans.first.from,
              Phrase["sections.check.two_sections_are_called_give_one", label: label]
            )
          end
      end

      def variant
        @map.sections.each_with_index.filter_map do |section, at|
          unless section.variant &&
                   @map.sections.first(at).none? { |earlier| earlier.label == section.variant.of }
            next
          end

          told(
            :kin_unknown,
            section.spans.first.from,
            Phrase[
              "sections.check.section_is_said_to_be_like",
              label: section.label,
              of: section.variant.of
            ],
            mend: changed(Phrase["sections.check.take_it_as_new"], section, variant: nil)
          )
        end
      end

      # Bars in no section are never practised, and nothing on the page shows it.
      def outside
        return [] if @map.sections.empty?

        held = @map.sections_by_bar
        runs =
          @map
            .bars
            .map(&:index)
            .reject { |bar| held.key?(bar) }
            .slice_when { |bar, following| following != bar + 1 }
        runs.map do |run|
          told(
            :in_no_section,
            run.first,
            Phrase.list([left_over(run), mend(run)], by: :sentence),
            grave: false,
            mend: widened(run)
          )
        end
      end

      def left_over(run)
        return Phrase["sections.check.pickup_in_no_section"] if run == [1] && @map.pickup?

        if run.size == 1
          return(
            Phrase[
              "sections.check.bar_in_no_section",
              place: Phrase.capital(@wording.bar(run.first))
            ]
          )
        end

        Phrase[
          "sections.check.bars_in_no_section",
          from: @map.bar(run.first).name,
          to: @map.bar(run.last).name
        ]
      end

      def mend(run)
        found = neighbour(run)
        return Phrase["sections.check.mark_a_section_there"] unless found

        Phrase["sections.check.let_it_or_mark", let: let(*found)]
      end

      def widened(run)
        section, side = neighbour(run)
        return unless section

        spans = section.spans.map { |span| widen(span, run, side) }
        changed(let(section, side), section, spans: spans)
      end

      def let(section, side) =
        Phrase[
          (side == :from) ? "sections.check.let_it_begin_there" : "sections.check.let_it_end_there",
          label: section.label
        ]

      def widen(span, run, side)
        if side == :from
          return(
            (span.from == run.last + 1 && span.from_beat.nil?) ? span.with(from: run.first) : span
          )
        end

        (span.to == run.first - 1 && span.to_beat.nil?) ? span.with(to: run.last) : span
      end

      # A pickup belongs to what follows; other bars to what they follow.
      # @return [Array(Score::Section, Symbol), nil]
      def neighbour(run)
        before =
          @map.sections.find do |one|
            one.spans.any? { |span| span.to == run.first - 1 && span.to_beat.nil? }
          end
        after =
          @map.sections.find do |one|
            one.spans.any? { |span| span.from == run.last + 1 && span.from_beat.nil? }
          end
        return after, :from if after && (before.nil? || run == [1])

        [before, :to] if before
      end

      def changed(words, section, **changes)
        Roadmap::Mend.new(
          words: words,
          drop: [[:sections, section]],
          put: [[:sections, section.with(**changes)]]
        )
      end

      def shortened(section, span)
        return unless span.from.between?(1, @map.bars.size)

        inside = span.with(to: @map.bars.size, to_beat: nil)
        changed(
          Phrase["sections.check.end_it_with_the_last_bar"],
          section,
          spans: section.spans.map { |one| (one == span) ? inside : one }
        )
      end

      # The one that begins first ends where the other begins.
      def apart(one, other, span, later)
        one, _, span, later = other, one, later, span if later.from < span.from
        return if later.from == span.from || later.from_beat

        shorter = span.with(to: later.from - 1, to_beat: nil)
        changed(
          Phrase["sections.check.end_before", label: one.label, bar: @wording.bar(later.from)],
          one,
          spans: one.spans.map { |place| (place == span) ? shorter : place }
        )
      end

      def told(code, bar, message, **more) =
        Roadmap::Diagnostic.new(code: code, bar: bar, message: message, **more)
    end
  end
end
