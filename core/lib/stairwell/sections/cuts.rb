# frozen_string_literal: true

module Stairwell
  module Sections
    # Cuts a piece into sections of two to eight bars where that is worth most: where phrases begin
    # and end, where something comes back, where the page breaks anyway. What comes back is cut as
    # it is cut elsewhere. All weights are our own choice.
    class Cuts
      # The upbeat is the pickup's; where the piece begins at a bar line, the one that is heard
      # where it is cut, and makes most sense of it.
      # @param map [Score::Map]
      # @return [Cuts]
      def self.of(map)
        return new(map, map.bars.first.length) if map.pickup?

        plain = new(map)
        return plain unless map.notes?

        upbeats = Constants::UPBEATS.map { |share| share * map.bars.first.meter.count_length }
        tried = upbeats.to_h { |upbeat| [upbeat, plain.with_upbeat(upbeat)] }
        agreed = tried.values.select(&:upbeats_heard?).max_by(&:times_heard)
        agreed ||
          [
            plain,
            *tried
              .select { |_, one| one.times_heard.positive? }
              .keys
              .map { |upbeat| new(map, upbeat) }
              .select(&:upbeats_heard?)
          ].max_by(&:total)
      end

      # @param map [Score::Map]
      # @param upbeat [Rational] of phrases that have one, in whole notes
      # @param bars [Array<Integer>, nil] where it is cut, if that is known
      def initialize(map, upbeat = 0r, bars: nil)
        @map = map
        @upbeat = upbeat
        @bars = bars
        @first = map.pickup? ? 2 : 1
        @ends = PhraseEnds.new(map) if map.notes?
      end

      # @return [Stretches, nil] nil where no notes are known
      def stretches = @stretches ||= (Stretches.new(@map, @upbeat) if @map.notes?)

      # @return [Array<Integer>] bars that begin a section, the first one, behind a pickup, too
      def bars
        @bars ||=
          begin
            cut = worth_most({})
            Constants::CUT_ROUNDS.times do
              again = worth_most(elsewhere(cut))
              break if again == cut

              cut = again
            end
            [@first, *cut]
          end
      end

      # @param bar [Integer] that begins a section
      # @return [Rational] whole notes before it that belong to it
      def upbeat(bar)
        return @map.pickup? ? @upbeat : 0r if bar == @first

        begins(bar).upbeat
      end

      # @return [Array<Score::Span>] phrases in whole bars: cut where sections are, and inside them
      #   where a phrase is heard all the same
      def phrases = spans(bars + inside.select { |bar| worth(bar).positive? })

      # @return [Array<Score::Span>] the large parts, in whole bars: cut where the page itself
      #   breaks, or where so much comes back that more than one section does
      def parts =
        spans(
          bars.select do |bar|
            bar == @first || signs(bar) >= Constants::PART_SIGN || long_returns.include?(bar)
          end
        )

      # @param upbeat [Rational]
      # @return [Cuts] at the same bars
      def with_upbeat(upbeat) = Cuts.new(@map, upbeat, bars: bars)

      # @return [Float] what all cuts are worth together
      def total = bars && @total

      # @return [Integer] how many sections clearly begin with the upbeat
      def times_heard = said.count(:upbeat)

      # @return [Boolean] whether some do, and none at its bar line
      def upbeats_heard? = times_heard >= Constants::UPBEAT_TIMES && said.all?(:upbeat)

      # @param bar [Integer]
      # @return [Float] what a cut before it is worth, beyond what any must be
      def worth(bar)
        (@worth ||= {})[bar] ||= begins(bar).strength +
          Constants::HEARD[:returns] * returns.fetch(bar, 0.0) + texture(bar) + signs(bar) -
          Constants::CUT_LEAST
      end

      private

      # Bars that could begin a phrase of two bars and more within a section.
      def inside =
        [*bars, @map.bars.size + 1].each_cons(2).flat_map { |from, to| ((from + 2)..(to - 2)).to_a }

      def long_returns =
        @long_returns ||=
          runs
            .select { |run| run.size >= Constants::PART_BARS && run.worth >= Constants::PART_WORTH }
            .flat_map(&:edges)
            .to_set

      def spans(begins) =
        [*begins.uniq.sort, @map.bars.size + 1].each_cons(2)
          .map { |from, to| Score::Span.new(from: (from == @first) ? 1 : from, to: to - 1) }

      def said = @said ||= bars.drop(1).filter_map { |bar| @ends.heard(bar, @upbeat) }

      def begins(bar) =
        (@begins ||= {})[bar] ||= if @ends
          @ends.begin_at(bar, [0r, @upbeat].uniq)
        else
          PhraseEnds::Begin.new(upbeat: 0r, strength: 0.0)
        end

      def runs = @runs ||= stretches ? Returns.new(@first, @map.bars.size, stretches).runs : []

      # @return [Hash{Integer => Float}] by bar, what it tells that something comes back
      def returns
        @returns ||=
          runs.each_with_object({}) do |run, found|
            run.edges.each { |bar| found[bar] = [found.fetch(bar, 0.0), run.telling].max }
          end
      end

      # The left hand goes on in another pattern, after two bars of one.
      def texture(bar)
        return 0.0 unless @map.notes?

        *before, here, following = [bar - 2, bar - 1, bar, bar + 1].map { |one| pattern(one) }
        if before.uniq.size == 1 && here == following && here != before.first
          Constants::HEARD[:texture]
        else
          0.0
        end
      end

      # When the left hand strikes, and how many keys.
      def pattern(bar) =
        @map.notes.dig(bar, :left).to_a.group_by(&:onset).map { |at, all| [at, all.size] }.sort

      # Where the page breaks anyway.
      def signs(bar)
        found = [
          (:sign if sign?(bar)),
          (:ending if ending?(bar)),
          (:change if change?(bar)),
          ((@map.notes? ? :line : :bare_line) if lines.include?(bar))
        ].compact
        found.sum(0.0) { |one| Constants::PAGE_BREAKS.fetch(one) }
      end

      def sign?(bar) =
        @map.repeats.any? { |one| one.from == bar || one.to == bar - 1 } ||
          [@map.coda, @map.segno].any? { |all| all.include?(bar) }

      def ending?(bar) = @map.endings.any? { |one| one.from == bar || one.to == bar - 1 }

      def change?(bar) =
        @map.double_bars.include?(bar - 1) || @map.keys.any? { |key| key.bar == bar } ||
          @map.bar(bar).meter != @map.bar(bar - 1).meter

      # @return [Set<Integer>] bars that begin a line, where the lines are known
      def lines =
        @lines ||=
          @map
            .layout
            .then do |layout|
              layout.assumed? ? [] : layout.lines.map { |_, _, bars| bars.first.index }
            end
            .to_set

      # What a cut is worth because the other place of a return is cut there.
      def elsewhere(cut)
        cut = cut.to_set
        runs.each_with_object(Hash.new(0.0)) do |run, found|
          run.pairs.each do |pair|
            pair
              .zip(pair.reverse)
              .each do |bar, other|
                found[other] = [found[other], Constants::CUT_ALIKE * run.worth].max if cut.include?(
                  bar
                )
              end
          end
        end
      end

      # @param more [Hash{Integer => Float}] what cuts are worth beside
      # @return [Array<Integer>] cuts that are worth most together
      def worth_most(more)
        last = @map.bars.size + 1
        best = { @first => [0.0, nil] }
        ((@first + 2)..last).each do |bar|
          gain = (bar == last) ? 0.0 : worth(bar) + more.fetch(bar, 0.0)
          found =
            Constants::SECTION_LENGTHS
              .filter_map do |size, cost|
                best[bar - size] && [best[bar - size].first + gain - cost, bar - size]
              end
              .max_by(&:first)
          best[bar] = found if found
        end
        @total = best[last]&.first || 0.0
        trace(best, last)
      end

      # None where one bar is fewer than any allowed length.
      def trace(best, bar)
        found = []
        while (bar = best[bar]&.last) && bar != @first
          found.unshift(bar)
        end
        found
      end
    end
  end
end
