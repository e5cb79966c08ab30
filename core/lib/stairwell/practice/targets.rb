# frozen_string_literal: true

module Stairwell
  module Practice
    # What stages are applied to: spots, sections, joins, growing spans, and the
    # whole piece.
    class Targets
      # `key` is part of a step's id; `parts` are the labels of the sections it
      # covers; `layers` are the aspects it still has to be learnt in, nil for
      # all of them; `hurries` are the hands that have to move there and have no time for it.
      Target =
        Stairwell.value(
          :key,
          :name,
          :spans,
          :parts,
          :counts,
          difficulty: Constants::DIFFICULTY,
          section: nil,
          hand: nil,
          hard: false,
          layers: nil,
          hurries: []
        )

      # @param map [Score::Map]
      # @param reading [Roadmap::Reading]
      # @param join [Symbol] how sections grow together
      def initialize(map, reading, join)
        @map = map
        @reading = reading
        @join = join
      end

      # @param scope [Symbol] see {Stage::SCOPES}
      # @return [Array<Target>]
      def of(scope)
        @of ||= {}
        @of[scope] ||= public_send(scope)
      end

      # @param stage [Stage]
      # @return [Array<Target>] what it is practised on
      def on(stage)
        return growing(stage.chain) if stage.scope == :growing && stage.chain
        return [straight] if stage.scope == :whole && !stage.repeats

        of(stage.scope)
      end

      # @return [Score::Variant, nil] of a section to one that stands before it
      def variant(section)
        if @map
             .sections
             .take_while { |one| one != section }
             .any? { |one| one.label == section.variant&.of }
          section.variant
        end
      end

      # @return [Boolean] whether the section is the same as its variant, in both hands
      def same?(section) =
        variant(section).then { |variant| variant&.relation == :same && variant.hand.nil? }

      def spot
        @map
          .markings
          .spots
          .map do |one|
            at = @map.section_at(one.span.from)&.label
            name =
              Phrase.list(
                [
                  Phrase["practice.targets.spot", bar: @map.bar(one.span.from).name],
                  one.text
                ].compact,
                by: :comma
              )
            Target.new(
              key: "spot@#{one.span.from}#{one.hand && "-#{one.hand}"}",
              name: name,
              spans: [one.span],
              parts: [at].compact,
              section: at,
              counts: @map.counts(one.span),
              hand: one.hand,
              hard: true
            )
          end
          .uniq(&:key)
      end

      def section
        @map.sections.filter_map do |section|
          spans = own_spans(section)
          layers = differing(section) if spans.empty?
          next if spans.empty? && layers.empty?

          spans = [section.spans.first] if spans.empty?
          Target.new(
            key: section.label,
            name: called(section.label),
            spans: spans,
            parts: [section.label],
            counts: counts(spans),
            layers: layers,
            difficulty: section.difficulty,
            section: section.label,
            hard: @map.markings.hard.any? { |hard| spans.any? { |span| span.overlap?(hard) } }
          )
        end
      end

      def line
        @map.layout.lines.map do |page, line, bars|
          stretch(
            "line@#{page}.#{line}",
            Phrase["practice.targets.line", page: page, line: line],
            [Score::Span.new(from: bars.first.index, to: bars.last.index)]
          )
        end
      end

      def page
        @map
          .layout
          .lines
          .group_by(&:first)
          .map do |page, lines|
            stretch(
              "page@#{page}",
              Phrase["score.layout.page", number: page],
              [Score::Span.new(from: lines.first[2].first.index, to: lines.last[2].last.index)]
            )
          end
      end

      # Each verse is sung by itself, even where all have the same bars.
      def verse
        @map
          .markings
          .verses
          .group_by(&:number)
          .sort
          .map do |number, verses|
            stretch(
              "verse@#{number}",
              Phrase["practice.targets.verse", number: number],
              merged(verses.map(&:span))
            )
          end
      end

      def join
        facts = Sections::Joins.new(@map)
        Sections
          .form(@map, @reading)
          .joins
          .map { |join| facts.facts(join) }
          .uniq { |one| contents(one) }
          .map do |one|
            join = one.join
            spans = [join.from_bar, join.to_bar].map { |bar| Score::Span.new(from: bar, to: bar) }
            spans = [Score::Span.new(from: join.from_bar, to: join.to_bar)] if join.to_bar ==
              join.from_bar + 1
            Target.new(
              key: "#{join.from}-#{join.to}@#{join.from_bar}",
              name: Phrase["practice.targets.to", from: called(join.from), to: called(join.to)],
              spans: spans,
              parts: [join.from, join.to].uniq,
              counts: counts(spans),
              hard: one.hard?,
              hurries: one.hurries
            )
          end
      end

      # Pairs, then pairs of pairs; or a chain from the start or from the end.
      # Two sections are joined by their join and the whole is a target of its
      # own, so only what lies between is grown.
      def growing(chain = @join)
        sections = @map.sections
        groups =
          case chain
          when :from_start
            (2...sections.size).map { |size| sections.first(size) }
          when :from_end
            (2...sections.size).map { |size| sections.last(size) }
          else
            pairs(sections)
          end
        groups.map { |group| grown(group) }
      end

      def whole
        [
          Target.new(
            key: "whole",
            name: Phrase["practice.targets.whole_piece"],
            spans: [Score::Span.new(from: 1, to: @map.bars.size)],
            parts: @map.sections.map(&:label),
            counts: @reading.counts_played
          )
        ]
      end

      # The page once through: of endings the last.
      # @return [Target]
      def straight
        left_out =
          @map.endings.select { |one| @map.endings.any? { |other| other.from == one.to + 1 } }
        bars = @map.bars.map(&:index) - left_out.flat_map { |one| one.span.bars }
        spans =
          bars
            .slice_when { |a, b| b != a + 1 }
            .map { |run| Score::Span.new(from: run.first, to: run.last) }
        whole.first.with(spans: spans, counts: counts(spans))
      end

      # The section whose notes one has, where it has no steps of its own.
      # @param label [String]
      # @return [String]
      def same_as(label)
        section = @map.sections.find { |one| one.label == label }
        if section && same?(section) && variant(section).except.empty?
          same_as(variant(section).of)
        else
          label
        end
      end

      private

      # A join of the same contents is the same, unless the page turns or the music jumps there
      # only.
      def contents(facts) =
        [same_as(facts.join.from), same_as(facts.join.to), facts.turn, facts.jump]

      # A place that sections know nothing of: it is of the section it lies in, if it is one.
      def stretch(key, name, spans)
        bars = spans.flat_map(&:bars)
        over = @map.sections.select { |section| bars.any? { |bar| section.cover?(bar) } }
        Target.new(
          key: key,
          name: name,
          spans: spans,
          parts: over.map(&:label),
          counts: counts(spans),
          section: (over.first.label if over.size == 1),
          difficulty: over.map(&:difficulty).max || Constants::DIFFICULTY,
          hard: @map.markings.hard.any? { |hard| spans.any? { |span| span.overlap?(hard) } }
        )
      end

      def pairs(sections)
        level = sections.zip
        found = []
        while level.size > 2
          level = level.each_slice(2).map(&:flatten)
          found += level.select { |group| group.size > 1 }
        end
        found.uniq
      end

      def grown(group)
        spans = group.map { |one| one.spans.first }
        Target.new(
          key: group.map(&:label).join("+"),
          name: Phrase.list(group.map { |one| called(one.label) }, by: :plus),
          spans: merged(spans),
          parts: group.map(&:label),
          counts: counts(spans)
        )
      end

      # As a family knows it: P1 is the first part.
      def called(label)
        number = label[/\AP([1-8])\z/, 1]
        number ? Phrase["practice.targets.part", ordinal: Phrase["nth.#{number}"]] : label
      end

      # Spans that follow each other on the page are one.
      def merged(spans)
        spans
          .sort_by(&:from)
          .slice_when { |a, b| a.to + 1 != b.from }
          .map { |run| run.first.with(to: run.last.to, to_beat: run.last.to_beat) }
      end

      # The bars of a section that are its own: all of them, the changed ones,
      # or none when it is the same as its variant.
      def own_spans(section)
        return [section.spans.first] unless same?(section)

        variant(section)
          .except
          .sort
          .slice_when { |a, b| b != a + 1 }
          .map { |bars| Score::Span.new(from: bars.first, to: bars.last) }
      end

      # In which layers a section with the same notes as its variant still differs.
      def differing(section)
        return [] unless @map.notes?

        @layers ||= Sections::Layers.new(@map)
        variant = @map.sections.find { |one| one.label == section.variant.of }
        section
          .bars
          .each_with_index
          .flat_map do |bar, at|
            other = variant.bars[at]
            if other
              Sections::Likeness::HANDS.flat_map { |hand| @layers.between(bar, other, hand) }
            else
              []
            end
          end
          .uniq
      end

      def counts(spans) = spans.sum(0r) { |span| @map.counts(span) }
    end
  end
end
