# frozen_string_literal: true

module Stairwell
  module Roadmap
    # Makes leaps of the signs: finds what each jump needs, and says what is
    # missing, what was assumed, and how to mend it.
    class Jumps
      # @return [Array<Leap>]
      attr_reader :leaps
      # @return [Array<Diagnostic>]
      attr_reader :diagnostics

      # @param map [Score::Map]
      def initialize(map)
        @map = map
        @wording = Wording.new(map)
        @diagnostics = []
        @leaps =
          (map.jumps - EndingJumps.of(map))
            .uniq(&:after)
            .select { |jump| inside?(jump) }
            .map { |jump| leap(jump) }
        report_unused
      end

      private

      def tell(code, bar, message, **more)
        @diagnostics << Diagnostic.new(code: code, bar: bar, message: message, **more)
      end

      # The jump said otherwise.
      def instead(jump, words, **changes)
        Mend.new(words: words, drop: [[:jumps, jump]], put: [[:jumps, jump.with(**changes)]])
      end

      def inside?(jump)
        return true if jump.after.between?(1, @map.bars.size)

        tell(
          :jump_off_page,
          nil,
          Phrase["roadmap.jumps.a_jump_is_said_to_come", after: jump.after, bars: @map.bars.size],
          mend: Mend.new(words: Phrase["roadmap.jumps.take_the_jump_away"], drop: [[:jumps, jump]])
        )
        false
      end

      def leap(jump)
        Leap.new(
          after: jump.after,
          to: target(jump),
          via: (jump.to == :capo) ? :da_capo : :dal_segno,
          repeats: jump.repeats,
          **ending(jump)
        )
      end

      def target(jump)
        return 1 if jump.to == :capo
        return jump.sign if @map.segno.include?(jump.sign)

        # The sign before the jump that is nearest to it; any other if none is.
        sign = @map.segno.select { |bar| bar <= jump.after }.max || @map.segno.min
        return sign if sign

        tell(
          :segno_missing,
          jump.after,
          Phrase["roadmap.jumps.says_dal_segno_but_no_bar", place: place(jump)],
          mend: instead(jump, Phrase["roadmap.jumps.say_da_capo"], to: :capo)
        )
        1
      end

      def ending(jump)
        case jump.until_sign
        when :fine
          until_fine(jump)
        when :coda
          until_coda(jump)
        else
          bare(jump)
        end
      end

      # A jump without “al Fine” in a piece that has one is read as al Fine.
      def bare(jump)
        return {} if @map.fine.empty?

        tell(
          :read_as_al_fine,
          jump.after,
          Phrase["roadmap.jumps.does_not_say_until_where_and", place: place(jump)],
          grave: false,
          mend: instead(jump, Phrase["roadmap.jumps.say_al_fine"], until_sign: :fine)
        )
        { stop: @map.fine }
      end

      def until_fine(jump)
        return { stop: @map.fine } if @map.fine.any?

        tell(
          :fine_missing,
          jump.after,
          Phrase["roadmap.jumps.says_al_fine_but_no_bar", place: place(jump)],
          mend: instead(jump, Phrase["roadmap.jumps.play_to_the_end"], until_sign: :end)
        )
        {}
      end

      def until_coda(jump)
        coda = @map.coda.select { |bar| bar > jump.after }.min || @map.coda.max
        unless coda
          tell(
            :coda_missing,
            jump.after,
            Phrase["roadmap.jumps.says_al_coda_but_there_is", place: place(jump)],
            mend: coda_behind(jump)
          )
          return {}
        end
        return { leave: @map.to_coda.to_h { |bar| [bar, meant(bar) || coda] } } if @map.to_coda.any?

        tell(
          :to_coda_missing,
          jump.after,
          Phrase["roadmap.jumps.says_al_coda_but_no_bar", place: place(jump)],
          mend: instead(jump, Phrase["roadmap.jumps.play_to_the_end"], until_sign: :end)
        )
        {}
      end

      # @return [Integer, nil] the coda that a To Coda is said to mean
      def meant(bar) = @map.leaves.find { |one| one.after == bar && @map.coda.include?(one.to) }&.to

      # A coda mostly stands right behind the jump.
      def coda_behind(jump)
        if jump.after >= @map.bars.size
          return instead(jump, Phrase["roadmap.jumps.play_to_the_end"], until_sign: :end)
        end

        Mend.new(
          words: Phrase["roadmap.jumps.put_the_coda_at", bar: @wording.bar(jump.after + 1)],
          put: [[:coda, jump.after + 1]]
        )
      end

      def report_unused
        # Where a jump is al Coda, or a coda stands and nothing jumps, the cause is said there.
        to_coda_unused unless said_elsewhere?
        return if @map.fine.empty? || @map.jumps.any?

        tell(
          :fine_unused,
          @map.fine.first,
          Phrase[
            "roadmap.jumps.says_fine_but_nothing_goes_back",
            place: Phrase.capital(@wording.bar(@map.fine.first))
          ],
          grave: false,
          mend:
            Mend.new(
              words: Phrase["roadmap.jumps.add_da_capo_al_fine_at"],
              put: [[:jumps, Score::Jump.new(after: @map.bars.size, to: :capo, until_sign: :fine)]]
            )
        )
      end

      def said_elsewhere?
        return @map.coda.any? if @map.jumps.empty?

        @map.jumps.any? { |jump| jump.until_sign == :coda }
      end

      def to_coda_unused
        @map.to_coda.each do |bar|
          tell(
            :to_coda_unused,
            bar,
            Phrase[
              (
                if @map.coda.empty?
                  "roadmap.jumps.to_coda_and_no_coda"
                else
                  "roadmap.jumps.to_coda_and_no_jump"
                end
              ),
              place: Phrase.capital(@wording.bar(bar))
            ],
            mend: leave_for_coda(bar)
          )
        end
      end

      # The jump goes on to the coda; where none is said, it mostly stands right behind the jump.
      def leave_for_coda(bar)
        jump = @map.jumps.find { |one| one.after >= bar && one.until_sign == :end }
        away = Mend.new(words: Phrase["roadmap.jumps.take_to_coda_away"], drop: [[:to_coda, bar]])
        return away if jump.nil?

        al_coda = instead(jump, Phrase["roadmap.jumps.say_al_coda"], until_sign: :coda)
        return al_coda if @map.coda.any?
        return away if jump.after == @map.bars.size

        al_coda.with(
          words:
            Phrase["roadmap.jumps.say_al_coda_and_put_it_at", bar: @wording.bar(jump.after + 1)],
          put: al_coda.put + [[:coda, jump.after + 1]]
        )
      end

      def place(jump) = Phrase.capital(@wording.bar(jump.after))
    end
  end
end
