# frozen_string_literal: true

module Stairwell
  module Roadmap
    # One bar as played. `bar` is its index, `time` which time this bar is
    # played, `pass` the pass of the innermost repeat around it, `via` how it
    # was reached: :start, :next, :repeat or :ending.
    Visit = Stairwell.value(:bar, :time, :pass, :via)

    # Walks the page with a finger. It holds one place and, for each repeat it
    # is inside, the pass it is on; every repeat has a finite count, so the
    # walk ends.
    class Walk
      # @return [Array<Diagnostic>]
      attr_reader :diagnostics

      # @param map [Score::Map]
      # @param repeats [Repeats]
      def initialize(map, repeats)
        @map = map
        @loops = repeats.loops.sort_by { |loop| [loop.last - loop.from, loop.to] }
        # Innermost first: the inner repeat is played in full on each pass of the outer.
        @inside = Hash.new { |all, bar| all[bar] = @loops.select { |one| bar.between?(one.from, one.last) } }
        @back_after = @loops.to_h { |loop| [loop, (1..loop.times).map { |pass| loop.back_after(pass) }] }.compare_by_identity
        @diagnostics = []
      end

      # @return [Array<Visit>]
      def visits
        @visits ||= walk.freeze
      end

      private

      def walk
        @passes = {}.compare_by_identity
        @times = Hash.new(0)
        played = []
        bar = 1
        via = :start
        while bar <= @map.bars.size
          enter(bar)
          if (past = skip_to(bar))
            bar = past
            via = :ending
            next
          end
          return too_long(played) if played.size >= Constants::MOST_VISITS

          played << visit(bar, via)
          bar, via = step_from(bar)
        end
        report_silent(played)
        played
      end

      def enter(bar)
        @passes.keep_if { |loop, _| bar.between?(loop.from, loop.last) }
        @inside[bar].each { |loop| @passes[loop] ||= 1 }
      end

      def visit(bar, via)
        innermost = @inside[bar].first
        Visit.new(bar: bar, time: @times[bar] += 1, pass: innermost ? @passes.fetch(innermost, 1) : 1, via: via)
      end

      # @return [Integer, nil] where to go on when this bar opens an ending of
      #   another pass
      def skip_to(bar)
        @inside[bar].each do |loop|
          loop.endings.each do |ending|
            return ending.to + 1 if ending.from == bar && !ending.passes.include?(@passes[loop])
          end
        end
        nil
      end

      def step_from(bar)
        back = @inside[bar].find { |loop| @back_after[loop][@passes[loop] - 1] == bar }
        return [bar + 1, :next] unless back

        pass = @passes[back] + 1
        inner = @loops.take_while { |loop| !loop.equal?(back) }
        @passes.delete_if { |loop, _| inner.include?(loop) && back.hold?(loop) }
        @passes[back] = pass
        [back.from, :repeat]
      end

      def too_long(played)
        @diagnostics << Diagnostic.new(
          code: :too_long, bar: played.last.bar,
          message: "Played out, the repeats run to more than #{Constants::MOST_VISITS} bars; the rest is left out. " \
            "Look for repeats inside repeats that should not be there."
        )
        played
      end

      def report_silent(played)
        wording = Wording.new(@map)
        silent = (1..@map.bars.size).to_a - played.map(&:bar)
        silent.slice_when { |a, b| b != a + 1 }.each do |stretch|
          span = Score::Span.new(from: stretch.first, to: stretch.last)
          said = wording.bars(span)
          @diagnostics << Diagnostic.new(
            code: :never_played, bar: span.from,
            message: "#{said[0].upcase}#{said[1..]} #{(span.size == 1) ? "is" : "are"} never played. " \
              "Look at the endings before and the passes they are for."
          )
        end
      end
    end
  end
end
