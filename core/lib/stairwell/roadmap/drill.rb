# frozen_string_literal: true

module Stairwell
  module Roadmap
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
          at: at,
          bar: visit.bar,
          choices: choices,
          right: following&.bar,
          why: why(visit, following),
          wrong:
            (choices - [following&.bar]).to_h { |choice| [choice, wrong(choice, visit, following)] }
        )
      end

      # Whether one has to think: the music leaves the printed order, or passes
      # by a sign.
      def sign?(bar, following)
        return true if following.nil? ? bar < @map.bars.size : following.bar != bar + 1

        turns?(bar) ||
          [@map.to_coda, @map.fine, @map.jumps.map(&:after)].any? { |bars| bars.include?(bar) } ||
          @map.endings.any? { |one| one.from == bar + 1 }
      end

      def turns?(bar) = turning[bar].any?

      def turning
        @turning ||=
          Hash.new do |all, bar|
            all[bar] = @loops.select do |loop|
              (1...loop.times).any? { |pass| loop.back_after(pass) == bar }
            end
          end
      end

      def choices(visit, following)
        bar = visit.bar
        found = [
          bar + 1,
          *turning[bar].map(&:from),
          *@map.endings.select { |one| near?(one, bar) }.map(&:from)
        ]
        if [@map.jumps.map(&:after), @map.to_coda].any? { |bars| bars.include?(bar) }
          found.push(1, *@map.segno, *@map.coda)
        end
        found = found.select { |one| one.between?(1, @map.bars.size) }
        found << nil if @map.fine.include?(bar) || following.nil?
        [following&.bar, *found].uniq.sort_by { |one| one || Float::INFINITY }
      end

      def near?(ending, bar) =
        ending.from > bar &&
          @loops.any? do |loop|
            loop.endings.include?(ending) && bar.between?(loop.from, loop.last) &&
              loop.endings.any? { |one| one.from == bar + 1 }
          end

      def why(visit, following)
        return ending_of(visit) unless following

        to = @wording.bar(following.bar)
        case following.via
        when :repeat
          Phrase[
            "roadmap.drill.a_repeat_sign_stands_after_back",
            bar: @wording.bar(visit.bar),
            to: to,
            ordinal: Phrase.ordinal(following.pass)
          ]
        when :ending
          Phrase[
            "roadmap.drill.it_is_the_time_skip_to",
            ordinal: Phrase.ordinal(pass(following)),
            to: to
          ]
        when :da_capo
          Phrase["roadmap.drill.d_c_means_back_to_the", to: to]
        when :dal_segno
          Phrase["roadmap.drill.d_s_means_back_to_the", to: to]
        when :to_coda
          Phrase["roadmap.drill.after_going_back_to_coda_counts", to: to]
        when :after_fine
          Phrase["roadmap.drill.the_part_that_came_back_is_done", to: to]
        else
          going_on(visit, to)
        end
      end

      def ending_of(visit)
        if @map.fine.include?(visit.bar)
          Phrase["roadmap.drill.after_going_back_fine_is_the"]
        else
          Phrase["roadmap.drill.it_is_the_last_bar_and"]
        end
      end

      def going_on(visit, to)
        bar = visit.bar
        if turns?(bar)
          return(
            Phrase[
              @jumped ? "roadmap.drill.way_back_and_repeat_done" : "roadmap.drill.repeat_done",
              to: to
            ]
          )
        end
        if (@map.to_coda + @map.fine).include?(bar) && !@jumped
          return Phrase["roadmap.drill.nothing_has_sent_the_music_back", to: to]
        end
        if @map.endings.any? { |one| one.from == bar + 1 }
          return(
            Phrase[
              "roadmap.drill.it_is_the_time_which_is",
              ordinal: Phrase.ordinal(visit.pass),
              to: to
            ]
          )
        end

        Phrase["roadmap.drill.the_sign_has_done_its_work", to: to]
      end

      # The innermost pass that the endings around a bar are for.
      def pass(visit) = @map.endings.find { |one| one.from == visit.bar }&.passes&.max || visit.pass

      def wrong(choice, visit, following)
        Phrase.list([not_there(choice, visit), why(visit, following)], by: :sentence)
      end

      def not_there(choice, visit)
        return Phrase["roadmap.drill.the_piece_does_not_end_here"] if choice.nil?

        ending = @map.endings.find { |one| one.from == choice }
        if ending && !ending.passes.include?(visit.pass)
          return(
            Phrase[
              "roadmap.drill.ending_for_another_time",
              ordinals:
                Phrase.list(ending.passes.map { |pass| Phrase.ordinal(pass) }, by: :and_each)
            ]
          )
        end
        if @map.coda.include?(choice) && choice != visit.bar + 1
          return Phrase["roadmap.drill.that_is_the_coda_nothing_sends"]
        end
        if @map.segno.include?(choice) && choice != visit.bar + 1
          return Phrase["roadmap.drill.that_is_the_sign"]
        end

        if choice == visit.bar + 1
          Phrase["roadmap.drill.the_next_bar_on_the_page"]
        else
          Phrase["roadmap.drill.the_music_does_not_go_back"]
        end
      end
    end
  end
end
