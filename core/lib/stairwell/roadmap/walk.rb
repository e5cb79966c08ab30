# frozen_string_literal: true

module Stairwell
  module Roadmap
    # Walks the page with a finger. It holds one place and, for each repeat it
    # is inside, the pass it is on. Every repeat has a finite count and every
    # jump is taken at most once, so the walk ends.
    class Walk
      # @return [Array<Diagnostic>]
      attr_reader :diagnostics

      # @param map [Score::Map]
      # @param repeats [Repeats]
      # @param jumps [Jumps]
      def initialize(map, repeats, jumps)
        @map = map
        @jumps = jumps
        @leaps = jumps.leaps.to_h { |leap| [leap.after, leap] }
        @loops = repeats.loops.sort_by { |loop| [loop.last - loop.from, loop.to] }
        # Innermost first: the inner repeat is played in full on each pass of the outer.
        @inside = Hash.new { |all, bar| all[bar] = [] }
        @loops.each { |loop| (loop.from..loop.last).each { |bar| @inside[bar] << loop } }
        @rank = @loops.each_with_index.to_h.compare_by_identity
        @back_after =
          @loops
            .to_h { |loop| [loop, (1..loop.times).map { |pass| loop.back_after(pass) }] }
            .compare_by_identity
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
        @met = {}.compare_by_identity
        @spent = {}.compare_by_identity
        @leapt = nil
        # A To Coda that means one of several codas leaves for it once.
        @once = @map.leaves.to_set(&:after)
        @left = Set[]
        played = []
        bar = 1
        via = :start
        while bar && bar <= @map.bars.size
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
        # Causes before what follows from them.
        report_across
        report_straight(played)
        report_untaken
        report_silent(played)
        played
      end

      # Inside a repeat from its first bar on. After a jump without repeats one
      # that was met before is played once, and that is its last pass.
      def enter(bar)
        @passes.keep_if { |loop, _| bar.between?(loop.from, loop.last) }
        @inside[bar].each do |loop|
          @passes[loop] ||= (@spent.key?(loop) && loop.times) || 1
          @met[loop] = true
        end
      end

      def visit(bar, via)
        innermost = @inside[bar].first
        Visit.new(
          bar: bar,
          time: @times[bar] += 1,
          pass: innermost ? @passes.fetch(innermost, 1) : 1,
          via: via
        )
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
        return onward(bar) unless back

        pass = @passes[back] + 1
        @passes.delete_if { |loop, _| @rank[loop] < @rank[back] && back.hold?(loop) }
        @passes[back] = pass
        return back.from, :repeat unless back.jump

        @spent = spent.tap { |loops| loops.delete(back) }
        [back.from, back.jump]
      end

      # Signs are heeded once the repeats around them are done.
      # @return [Array(Integer, Symbol), nil] nil at a Fine
      def onward(bar)
        return bar + 1, :next unless @inside[bar].all? { |loop| @passes[loop] == loop.times }
        return after_fine if @leapt&.stop&.include?(bar)

        coda = @leapt && @leapt.leave[bar]
        return leave(coda) if coda && (!@once.include?(bar) || @left.add?(bar))

        leap = @leaps.delete(bar)
        leap ? take(leap) : [bar + 1, :next]
      end

      # A minuet with two trios comes back after each: it ends at its Fine only when no later part
      # is left that goes back once more.
      def after_fine
        ahead = @leapt.after + 1
        return if @times[ahead].positive? || @leaps.each_key.none? { |after| after >= ahead }

        @leapt = nil
        @passes.clear
        [ahead, :after_fine]
      end

      def leave(coda)
        @leapt = nil
        @passes.clear
        [coda, :to_coda]
      end

      def take(leap)
        @leapt = leap
        @passes.clear
        @spent = leap.repeats ? {}.compare_by_identity : spent
        [leap.to, leap.via]
      end

      # Repeats that are played once from now on.
      def spent = @met.dup.delete_if { |loop, _| loop.again }

      def report_untaken
        wording = Wording.new(@map)
        @leaps.each_key do |bar|
          @diagnostics << Diagnostic.new(
            code: :jump_not_taken,
            bar: bar,
            message: Phrase["roadmap.walk.the_jump_after_is_never_taken", bar: wording.bar(bar)]
          )
        end
      end

      # A jump in the middle of a repeat leaves it there on the last pass. One
      # that ends an ending is as usual.
      def report_across
        wording = Wording.new(@map)
        @jumps.leaps.each do |leap|
          loop =
            @loops.find do |one|
              leap.after.between?(one.from, one.last - 1) &&
                one.endings.none? { |ending| ending.to == leap.after }
            end
          next unless loop

          @diagnostics << Diagnostic.new(
            code: :repeat_across_jump,
            bar: leap.after,
            grave: false,
            message:
              Phrase[
                "roadmap.walk.the_jump_after_stands_inside_the",
                bar: wording.bar(leap.after),
                bars: wording.bars(Score::Span.new(from: loop.from, to: loop.last))
              ]
          )
        end
      end

      def report_straight(played)
        straight = played.find { |visit| visit.via == :next && @map.coda.include?(visit.bar) }
        return unless straight

        @diagnostics << Diagnostic.new(
          code: :coda_straight,
          bar: straight.bar,
          grave: false,
          message:
            Phrase[
              "roadmap.walk.the_coda_at_is_played_straight",
              place: Wording.new(@map).bar(straight.bar)
            ],
          mend: jump_before(straight.bar)
        )
      end

      # The jump that most pages with To Coda have right before the coda.
      def jump_before(coda)
        return unless @map.to_coda.any? && @map.jumps.empty? && coda > 1

        to = @map.segno.any? ? :segno : :capo
        Mend.new(
          words: Phrase["roadmap.walk.add_al_coda_before_it", jump: Score::Jump::WORDS.fetch(to)],
          put: [[:jumps, Score::Jump.new(after: coda - 1, to: to, until_sign: :coda)]]
        )
      end

      def too_long(played)
        @diagnostics << Diagnostic.new(
          code: :too_long,
          bar: played.last.bar,
          message:
            Phrase["roadmap.walk.played_out_the_repeats_run_to", most: Constants::MOST_VISITS]
        )
        played
      end

      def report_silent(played)
        wording = Wording.new(@map)
        silent = (1..@map.bars.size).to_a - played.map(&:bar)
        silent
          .slice_when { |a, b| b != a + 1 }
          .each do |stretch|
            span = Score::Span.new(from: stretch.first, to: stretch.last)
            @diagnostics << Diagnostic.new(
              code: :never_played,
              bar: span.from,
              message:
                Phrase.list(
                  [
                    Phrase[
                      "roadmap.walk.never_played",
                      bars: Phrase.capital(wording.bars(span)),
                      count: span.size
                    ],
                    look(span)
                  ],
                  by: :sentence
                ),
              mend: jump_behind(span)
            )
          end
      end

      # What they are behind: endings, or a jump after which the music ends elsewhere.
      def look(span)
        if jump_before_silence(span)
          return(
            Phrase[
              "roadmap.walk.look_at_the_jump",
              bar: Wording.new(@map).bar(jump_before_silence(span).after)
            ]
          )
        end

        Phrase[
          (
            if @map.endings.any? { |one| one.from <= span.to }
              "roadmap.walk.look_at_the_endings"
            else
              "roadmap.walk.look_at_the_signs"
            end
          )
        ]
      end

      def jump_before_silence(span) =
        @map.jumps.find { |jump| jump.after == span.from - 1 && span.to == @map.bars.size }

      # The jump may stand at the end instead.
      def jump_behind(span)
        jump = jump_before_silence(span) or return

        Mend.new(
          words: Phrase["roadmap.walk.move_the_jump_to_the_end"],
          drop: [[:jumps, jump]],
          put: [[:jumps, jump.with(after: @map.bars.size)]]
        )
      end
    end
  end
end
