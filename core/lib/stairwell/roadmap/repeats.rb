# frozen_string_literal: true

module Stairwell
  module Roadmap
    # Makes loops of the repeat signs and endings: fills in what a page leaves
    # unsaid and says what it had to assume.
    class Repeats
      # @param map [Score::Map]
      # @return [Repeats]
      def self.of(map) = new(map)

      # @return [Array<Loop>] outermost first where they start together
      attr_reader :loops
      # @return [Array<Diagnostic>]
      attr_reader :diagnostics

      def initialize(map)
        @map = map
        @wording = Wording.new(map)
        @diagnostics = []
        @endings = apart(sound_endings)
        @by_start = @endings.reverse.to_h { |ending| [ending.from, ending] }
        @jumps = EndingJumps.of(map).to_h { |jump| [jump.after, jump] }
        @loops = nest(with_endings(started(sound_repeats + jumped)).uniq)
        report_stray_endings
      end

      private

      def tell(code, bar, message, **more)
        @diagnostics << Diagnostic.new(code: code, bar: bar, message: message, **more)
      end

      def without(words, member, value) = Mend.new(words: words, drop: [[member, value]])

      def ending_for(words, ending, passes)
        Mend.new(
          words: words,
          drop: [[:endings, ending]],
          put: [[:endings, ending.with(passes: passes)]]
        )
      end

      def inside?(*bars) = bars.compact.all? { |bar| bar.between?(1, @map.bars.size) }

      def sound_repeats
        @map.repeats.uniq.select do |repeat|
          next true if inside?(repeat.from, repeat.to) && (repeat.from || 1) <= repeat.to

          tell(
            :repeat_off_page,
            nil,
            Phrase[
              "roadmap.repeats.the_repeat_does_not_lie_on",
              from: repeat.from,
              to: repeat.to,
              bars: @map.bars.size
            ],
            mend: without(Phrase["roadmap.repeats.take_the_repeat_away"], :repeats, repeat)
          )
          false
        end
      end

      def jumped =
        @jumps
          .values
          .select { |jump| inside?(jump.after) }
          .map { |jump| Score::Repeat.new(from: EndingJumps.start(@map, jump), to: jump.after) }

      def sound_endings
        @map
          .endings
          .uniq
          .select do |ending|
            next true if inside?(ending.from, ending.to) && ending.from <= ending.to

            tell(
              :ending_off_page,
              nil,
              Phrase[
                "roadmap.repeats.ending_off_page",
                passes: passes(ending),
                count: @map.bars.size
              ],
              mend: without(Phrase["roadmap.repeats.take_the_ending_away"], :endings, ending)
            )
            false
          end
          .sort_by(&:from)
      end

      # An ending for a later pass that begins inside another stands one behind it: it is taken so.
      def apart(endings)
        endings.each_with_object([]) do |ending, kept|
          before = kept.last
          unless before && ending.from <= before.to && ending.passes.min > before.passes.max
            next kept << ending
          end

          moved = moved_to(ending, before.to + 1)
          if moved
            tell(
              :ending_inside_another,
              ending.from,
              Phrase[
                "roadmap.repeats.ending_inside_another",
                passes: passes(ending),
                bar: @wording.bar(ending.from),
                other: passes(before),
                to: @wording.bar(moved.from)
              ],
              mend:
                Mend.new(
                  words: Phrase["roadmap.repeats.move_it_to", bar: @wording.bar(moved.from)],
                  drop: [[:endings, ending]],
                  put: [[:endings, moved]]
                )
            )
          end
          kept << (moved || ending)
        end
      end

      # As long as it is, from a bar on; no longer than the page.
      def moved_to(ending, from) =
        if inside?(from)
          ending.with(from: from, to: [from + ending.to - ending.from, @map.bars.size].min)
        end

      # A repeat without an opening sign goes back to the bar after the
      # previous repeat with its last ending, or to the first bar.
      def started(repeats)
        repeats
          .sort_by(&:to)
          .each_with_object([]) do |repeat, done|
            done << repeat.with(from: repeat.from || unsaid_start(repeat, done))
          end
      end

      def unsaid_start(repeat, before)
        before = before.select { |one| one.to < repeat.to }
        sharing = before.find { |one| repeat.to <= reach(one) }
        return sharing.from if sharing

        (before.map { |one| reach(one) }.max || 0) + 1
      end

      # The last bar of a repeat with the endings that close it: one ends with
      # its sign, and others may follow. What merely stands behind a repeat
      # belongs to another around it.
      def reach(repeat)
        @reach ||= {}.compare_by_identity
        @reach[repeat] ||= closing_end(repeat)
      end

      def closing_end(repeat)
        closing =
          @endings.select do |ending|
            ending.from > repeat.from.to_i && repeat.to.between?(ending.from, ending.to)
          end
        return repeat.to if closing.empty?

        chain = [closing.max_by(&:to)]
        bound = bracket_end(repeat)
        while (ending = @by_start[chain.last.to + 1]) && ending.from <= bound &&
                !opens_another?(ending, chain, repeat)
          chain << ending
        end
        chain.last.to
      end

      # @return [Integer, Float] the last bar of the ending a repeat stands in
      def bracket_end(repeat)
        @endings
          .select { |one| one.from <= repeat.from.to_i && one.to >= repeat.to }
          .map(&:to)
          .min || Float::INFINITY
      end

      # Where endings of two repeats stand side by side, passes that begin again
      # tell that the bracket belongs to the repeat around.
      def opens_another?(ending, chain, repeat)
        (
          ending.passes.min <= chain.last.passes.min ||
            (ending.passes & chain.flat_map(&:passes)).any?
        ) &&
          @map.repeats.any? { |one| one.from.to_i < repeat.from.to_i && one.to >= ending.from - 1 }
      end

      def with_endings(repeats)
        # One closing sign ends each ending but the last: signs that share a
        # start and whose endings follow each other are one repeat.
        merged = repeats.group_by(&:from).flat_map { |_, same| merge(same.sort_by(&:to)) }
        owned = {}.compare_by_identity
        @endings.each { |ending| (owned[owner(ending, merged)] ||= []) << ending }
        merged.map do |repeat|
          endings = owned.fetch(repeat, [])
          last = [repeat.to, *endings.map(&:to)].max
          Loop.new(
            from: repeat.from,
            to: repeat.to,
            times: times(repeat, endings),
            endings: endings,
            last: last,
            again: repeat.again,
            jump: (EndingJumps::VIA[@jumps[repeat.to]&.to] if @jumps.key?(repeat.to))
          )
        end
      end

      def merge(same)
        same
          .slice_when do |a, b|
            chain = (a.to + 1..b.to)
            !(
              ending_closes?(a.to) &&
                chain.all? { |bar| @endings.any? { |ending| ending.span.cover?(bar) } }
            )
          end
          .map do |chain|
            chain.last.with(times: chain.filter_map(&:times).max, again: chain.any?(&:again))
          end
      end

      def ending_closes?(bar) = @endings.any? { |ending| ending.to == bar }

      # An ending belongs to the innermost repeat that reaches it.
      def owner(ending, all)
        all
          .select { |one| ending.from.between?(one.from, reach(one)) }
          .min_by { |one| reach(one) - one.from }
      end

      def times(repeat, endings)
        passes = endings.flat_map(&:passes)
        highest = passes.max
        report_passes(repeat, endings, passes)
        times = repeat.times || [highest || 0, Constants::REPEAT_TIMES].max
        return times if times.between?(1, Constants::MOST_TIMES)

        tell(
          :times_out_of_range,
          repeat.to,
          Phrase[
            "roadmap.repeats.the_repeat_ending_in_is_to",
            bar: @wording.bar(repeat.to),
            times: times,
            most: Constants::MOST_TIMES
          ]
        )
        Constants::MOST_TIMES
      end

      def report_passes(repeat, endings, passes)
        return if endings.empty?

        twice = passes.tally.select { |_, count| count > 1 }.keys
        if twice.any?
          last = endings.reverse.find { |one| (one.passes & twice).any? }
          free = ((1..Constants::MOST_TIMES).to_a - passes).first(last.passes.size)
          tell(
            :pass_twice,
            endings.first.from,
            Phrase[
              "roadmap.repeats.pass_twice",
              bar: @wording.bar(endings.first.from),
              passes: Phrase.list(twice, by: :comma)
            ],
            mend:
              (
                if free.any?
                  ending_for(
                    Phrase[
                      "roadmap.repeats.make_it_ending",
                      bar: @wording.bar(last.from),
                      passes: Phrase.list(free, by: :comma)
                    ],
                    last,
                    free
                  )
                end
              )
          )
        end
        missing = (1..[repeat.times || 0, passes.max].max).to_a - passes
        return if missing.empty?

        tell(
          :pass_missing,
          endings.first.from,
          Phrase[
            "roadmap.repeats.pass_missing",
            bar: @wording.bar(endings.first.from),
            passes: Phrase.list(missing, by: :comma)
          ],
          mend:
            ending_for(
              Phrase[
                "roadmap.repeats.play_it_on_pass_too",
                bar: @wording.bar(endings.first.from),
                passes: Phrase.list(missing, by: :comma)
              ],
              endings.first,
              (endings.first.passes + missing).sort
            )
        )
      end

      # Repeats must lie one inside the other or apart. Where they overlap the
      # later one is taken to start after the earlier.
      def nest(loops)
        loops
          .sort_by { |one| [one.from, -one.last] }
          .each_with_object([]) do |loop, kept|
            across =
              kept
                .select do |one|
                  one.from < loop.from && loop.from <= one.last && one.last < loop.last
                end
                .max_by(&:last)
            unless across
              kept << loop
              next
            end
            tell(
              :repeats_overlap,
              loop.from,
              Phrase[
                "roadmap.repeats.the_repeat_from_begins_inside_another",
                bar: @wording.bar(loop.from),
                other: @wording.bar(across.last)
              ],
              mend: begin_after(across, loop)
            )
            start = across.last + 1
            kept << loop.with(from: start) if start <= loop.to
          end
          .uniq
      end

      def begin_after(across, loop)
        printed =
          @map.repeats.find { |one| one.to == loop.to && (one.from || loop.from) == loop.from }
        return unless printed && across.last < loop.to

        Mend.new(
          words: Phrase["roadmap.repeats.begin_it_after", bar: @wording.bar(across.last)],
          drop: [[:repeats, printed]],
          put: [[:repeats, printed.with(from: across.last + 1)]]
        )
      end

      def report_stray_endings
        owned = @loops.flat_map(&:endings)
        (@endings - owned).each do |ending|
          tell(
            :ending_outside_repeat,
            ending.from,
            Phrase[
              "roadmap.repeats.ending_outside",
              passes: passes(ending),
              bar: @wording.bar(ending.from)
            ],
            mend: repeat_for(ending)
          )
        end
      end

      def passes(ending) = Phrase.list(ending.passes, by: :comma)

      # A first ending wants a repeat sign at its end; one for a later pass that stands a little
      # behind a repeat which lacks it belongs to that.
      def repeat_for(ending)
        near =
          @loops.find do |loop|
            ending.from.between?(loop.last + 2, loop.last + 1 + Constants::ENDING_ASTRAY) &&
              loop.endings.any? && ending.passes.min > loop.endings.flat_map(&:passes).max
          end
        if near && (moved = moved_to(ending, near.last + 1))
          return(
            Mend.new(
              words: Phrase["roadmap.repeats.move_it_to", bar: @wording.bar(moved.from)],
              drop: [[:endings, ending]],
              put: [[:endings, moved]]
            )
          )
        end
        unless ending.passes.include?(1)
          return without(Phrase["roadmap.repeats.take_the_ending_away"], :endings, ending)
        end

        Mend.new(
          words: Phrase["roadmap.repeats.repeat_from_before_it"],
          put: [[:repeats, Score::Repeat.new(to: ending.to)]]
        )
      end
    end
  end
end
