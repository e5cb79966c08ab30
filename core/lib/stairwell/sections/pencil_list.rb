# frozen_string_literal: true

module Stairwell
  module Sections
    # What to write with a pencil into one's own book, line by line: signs to circle, arrows back,
    # letters and boxes of sections, fingers, breaths, what is counted. It names places and copies
    # no notes.
    class PencilList
      # The `items` of one printed line; page and line are nil where the page was not described.
      Line = Stairwell.value(:page, :line, :items)
      # What to write at a bar: `kind` :letter, :box, :circle, :arrow, :finger, :breath, :count or
      # :care, and the words.
      Item = Stairwell.value(:bar, :kind, :words)

      KINDS = %i[letter box arrow circle finger count breath care].freeze

      # @param map [Score::Map]
      # @param counting [Symbol] of {Aspects::Counting::SYSTEMS}
      def initialize(map, counting: Aspects::Counting::SYSTEMS.first)
        @map = map
        @counting = Aspects::Counting.new(counting)
        @wording = Roadmap::Wording.new(map)
      end

      # @return [Array<Line>] those on which there is something to write
      def lines
        found = items.uniq.group_by(&:bar)
        layout = @map.layout
        layout.lines.filter_map do |page, line, bars|
          all =
            bars.flat_map do |bar|
              found
                .fetch(bar.index, [])
                .sort_by
                .with_index { |item, at| [KINDS.index(item.kind), at] }
            end
          if all.any?
            Line.new(
              page: (page unless layout.assumed?),
              line: (line unless layout.assumed?),
              items: all
            )
          end
        end
      end

      private

      def item(bar, kind, key, **values) =
        Item.new(bar: bar, kind: kind, words: Phrase["sections.pencil_list.#{key}", **values])

      def items = [*sections, *signs, *repeats, *jumps, *fingers, *breaths, *counts, *care]

      # A letter where a section begins, a box where it comes back.
      def sections
        @map.sections.flat_map do |section|
          first, *others = section.spans
          like = (section.variant && (section.variant.relation == :same)) ? :letter_like : :letter
          [
            item(first.from, :letter, like, label: section.label, of: section.variant&.of),
            *others.map do |span|
              item(
                span.from,
                :box,
                :box,
                label: section.label,
                bars: @wording.bars(span),
                as: @wording.bars(first)
              )
            end
          ]
        end
      end

      def signs
        { segno: :segno, coda: :coda, to_coda: :to_coda, fine: :fine }.flat_map do |member, key|
          @map[member].map { |bar| item(bar, :circle, key) }
        end
      end

      # An arrow from where the music goes back.
      def repeats
        loops = Roadmap::Repeats.of(@map).loops
        loops.map { |loop| item(loop.to, :arrow, :back, bar: @wording.bar(loop.from)) } +
          @map.endings.map do |ending|
            item(
              ending.from,
              :arrow,
              :ending,
              passes: Phrase.list(ending.passes.map { |pass| Phrase.ordinal(pass) })
            )
          end
      end

      def jumps
        @map.jumps.map do |jump|
          to =
            (
              if jump.to == :capo
                1
              else
                jump.sign || @map.segno.select { |bar| bar <= jump.after }.max ||
                  @map.segno.first || 1
              end
            )
          item(
            jump.after,
            :arrow,
            { fine: :back_to_fine, coda: :back_to_coda }.fetch(jump.until_sign, :back),
            bar: @wording.bar(to)
          )
        end
      end

      # Said ones, and where a hand moves those that were worked out, which say so.
      def fingers
        said =
          @map.markings.starts.map do |one|
            item(
              one.bar,
              :finger,
              one.guide ? :guide : :finger,
              hand: hand(one.hand),
              finger: one.finger,
              key: one.pitch.name
            )
          end
        return said unless @map.notes?

        noted = @map.markings.starts.map { |one| [one.hand, one.bar] }
        moves =
          Likeness::HANDS
            .flat_map { |one| Aspects::Places.new(Aspects::Line.new(@map, one)).moves }
            .reject { |move| move.said || move.crossing || noted.include?([move.hand, move.bar]) }
        moves = [] if moves.size > Constants::PLACES_TOLD * 2
        said +
          moves.map do |move|
            item(
              move.bar,
              :finger,
              :finger_perhaps,
              hand: hand(move.hand),
              finger: move.finger,
              key: move.pitch.name
            )
          end
      end

      def hand(hand) = Phrase["hands.#{hand}"]

      # Where a phrase is over: where a breath is printed, else where sections end.
      def breaths
        printed = @map.phrasing.breaths.map { |bar, _| bar }
        places =
          (
            if printed.any?
              printed
            else
              @map.sections.flat_map(&:spans).map(&:from).uniq.reject { |bar| bar == 1 }
            end
          )
        places.map { |bar| item(bar, :breath, :breath) }
      end

      # Held notes, and the figures of rhythm that go wrong.
      def counts
        held =
          @map.markings.fermatas.map do |one|
            item(one.bar, :count, :hold, counts: Roadmap.number(one.held || one.counts * 2))
          end
        held + Likeness::HANDS.flat_map { |one| figures(one) }
      end

      def figures(hand)
        Aspects::Rhythms
          .new(@map, hand)
          .figures
          .uniq(&:kind)
          .map do |one|
            item(
              one.bar,
              :count,
              :count,
              counted: @counting.say(@map.bar(one.bar), @map.notes.dig(one.bar, hand).to_a)
            )
          end
      end

      def care
        hard =
          @map.markings.hard.map { |span| item(span.from, :care, :hard, bars: @wording.bars(span)) }
        spots =
          @map.markings.spots.map do |spot|
            if spot.text
              item(spot.span.from, :care, :spot_about, text: spot.text)
            else
              item(spot.span.from, :care, :spot)
            end
          end
        keys =
          Aspects::Accidentals
            .new(@map)
            .regions
            .select { |one| one.why == :key }
            .map do |one|
              item(
                one.from,
                :care,
                :key,
                key: one.key.name,
                bars: @wording.bars(Score::Span.new(from: one.from, to: one.to))
              )
            end
        hard + spots + keys
      end
    end
  end
end
