# frozen_string_literal: true

module Stairwell
  module Roadmap
    # "Where next?" at one sign: `at` is the place among the visits, `bar` where
    # one stands; `choices` the bars one may think of (nil is the end of the
    # piece); `right` the one it is; `why` says so, and `wrong` says for each
    # other choice why it is not.
    Question = Stairwell.value(:at, :bar, :choices, :right, :why, :wrong)

    # Asks at every sign of a piece, in playing order, which bar comes next.
    class Drill
      # @param map [Score::Map]
      # @param visits [Array<Visit>]
      def initialize(map, visits)
        @map = map
        @visits = visits
        @loops = Repeats.of(map).loops
        @wording = Wording.new(map)
      end

      # @return [Array<Question>]
      def questions
        @jumped = false
        @visits.each_index.filter_map do |at|
          question(at).tap { @jumped ||= %i[da_capo dal_segno].include?(@visits[at + 1]&.via) }
        end
      end

      private

      def question(at)
        visit, following = @visits[at], @visits[at + 1]
        choices = choices(visit, following)
        return unless sign?(visit.bar, following) && choices.size > 1

        Question.new(
          at: at, bar: visit.bar, choices: choices, right: following&.bar, why: why(visit, following),
          wrong: (choices - [following&.bar]).to_h { |choice| [choice, wrong(choice, visit, following)] }
        )
      end

      # Whether one has to think: the music leaves the printed order, or passes
      # by a sign.
      def sign?(bar, following)
        return true if following.nil? ? bar < @map.bars.size : following.bar != bar + 1

        turns?(bar) || [@map.to_coda, @map.fine, @map.jumps.map(&:after)].any? { |bars| bars.include?(bar) } || @map.endings.any? { |one| one.from == bar + 1 }
      end

      def turns?(bar) = turning[bar].any?

      def turning
        @turning ||= Hash.new { |all, bar| all[bar] = @loops.select { |loop| (1...loop.times).any? { |pass| loop.back_after(pass) == bar } } }
      end

      def choices(visit, following)
        bar = visit.bar
        found = [bar + 1, *turning[bar].map(&:from), *@map.endings.select { |one| near?(one, bar) }.map(&:from)]
        found.push(1, *@map.segno, *@map.coda) if [@map.jumps.map(&:after), @map.to_coda].any? { |bars| bars.include?(bar) }
        found = found.select { |one| one.between?(1, @map.bars.size) }
        found << nil if @map.fine.include?(bar) || following.nil?
        [following&.bar, *found].uniq.sort_by { |one| one || Float::INFINITY }
      end

      def near?(ending, bar) = ending.from > bar && @loops.any? { |loop| loop.endings.include?(ending) && bar.between?(loop.from, loop.last) && loop.endings.any? { |one| one.from == bar + 1 } }

      def why(visit, following)
        return ending_of(visit) unless following

        to = @wording.bar(following.bar)
        case following.via
        when :repeat then "A repeat sign stands after #{@wording.bar(visit.bar)}: back to #{to} for the #{Roadmap.ordinal(following.pass)} time."
        when :ending then "It is the #{Roadmap.ordinal(pass(following))} time: skip to #{to}."
        when :da_capo then "D.C. means back to the beginning, #{to}."
        when :dal_segno then "D.S. means back to the sign, #{to}."
        when :to_coda then "After going back, To Coda counts: leave for the coda, #{to}."
        else going_on(visit, to)
        end
      end

      def ending_of(visit)
        @map.fine.include?(visit.bar) ? "After going back, Fine is the end." : "It is the last bar, and nothing more has to be played."
      end

      def going_on(visit, to)
        bar = visit.bar
        return "#{@jumped ? "The way back has been taken, and this repeat is" : "The repeat is"} done: on to #{to}." if turns?(bar)
        return "Nothing has sent the music back yet, so the sign is passed by: on to #{to}." if (@map.to_coda + @map.fine).include?(bar) && !@jumped
        return "It is the #{Roadmap.ordinal(visit.pass)} time, which is played here: on to #{to}." if @map.endings.any? { |one| one.from == bar + 1 }

        "The sign has done its work, or the repeats around it are not done yet: on to #{to}."
      end

      # The innermost pass that the endings around a bar are for.
      def pass(visit) = @map.endings.find { |one| one.from == visit.bar }&.passes&.max || visit.pass

      def wrong(choice, visit, following)
        "#{not_there(choice, visit)} #{why(visit, following)}".strip
      end

      def not_there(choice, visit)
        return "The piece does not end here." if choice.nil?

        ending = @map.endings.find { |one| one.from == choice }
        return "That is the ending for the #{ending.passes.map { |pass| Roadmap.ordinal(pass) }.join(" and ")} time." if ending && !ending.passes.include?(visit.pass)
        return "That is the coda; nothing sends the music there yet." if @map.coda.include?(choice) && choice != visit.bar + 1
        return "That is the sign." if @map.segno.include?(choice) && choice != visit.bar + 1

        (choice == visit.bar + 1) ? "The next bar on the page is not the next bar of the music here." : "The music does not go back there now."
      end
    end
  end
end
