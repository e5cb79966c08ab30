# frozen_string_literal: true

module Stairwell
  module Roadmap
    # Says, walking through a piece, why the music is where it is, and warns
    # before it leaves the printed order.
    class Guide
      # @param map [Score::Map]
      # @param visits [Array<Visit>]
      def initialize(map, visits)
        @map = map
        @visits = visits
        @layout = map.layout
      end

      # @param at [Integer] place among the visits, from 0
      # @return [Boolean] whether the bar is not the one printed behind the last
      def leap?(at) = at.positive? && @visits[at].bar != @visits[at - 1].bar + 1

      # @return [String, nil] why the music is here, in words; nil where it just
      #   goes on
      def reached(at)
        visit = @visits[at]
        case visit.via
        when :repeat
          if visit.pass > 2
            Phrase["roadmap.guide.time", ordinal: Phrase.ordinal(visit.pass)]
          else
            Phrase["roadmap.guide.again"]
          end
        when :ending
          ending = ending_at(visit.bar)
          if ending
            Phrase["roadmap.guide.ending", ordinal: Phrase.ordinal(ending.passes.max)]
          else
            Phrase["roadmap.guide.past_the_ending"]
          end
        when :da_capo
          Phrase["roadmap.guide.from_the_beginning"]
        when :dal_segno
          Phrase["roadmap.guide.back_to_the_sign"]
        when :to_coda
          Phrase["roadmap.guide.to_the_coda"]
        when :after_fine
          Phrase["roadmap.guide.on_to_the_next_part"]
        end
      end

      # @param at [Integer]
      # @return [String, nil] what comes after this bar where it is not the next
      #   printed one, as "back to the sign, page 12, line 2, bar 1"
      def ahead(at)
        return unless @visits[at + 1] && leap?(at + 1)

        place = place(@visits[at + 1].bar)
        way = way(at + 1)
        way ? Phrase.list([way, place], by: :comma) : Phrase["roadmap.guide.on_to", place: place]
      end

      # @return [Phrase, nil] how the music gets to a visit; nil where no sign says so
      def way(at)
        visit = @visits[at]
        case visit.via
        when :repeat
          Phrase["roadmap.guide.back_for_the_time", ordinal: Phrase.ordinal(visit.pass)]
        when :ending
          ending = ending_at(visit.bar)
          if ending
            Phrase["roadmap.guide.skip_to_the_ending", ordinal: Phrase.ordinal(ending.passes.max)]
          else
            Phrase["roadmap.guide.skip_past_the_ending"]
          end
        else
          reached(at)
        end
      end

      # @param index [Integer] of a bar
      # @return [String] page, line and bar; the bar number where the page was not
      #   described
      def place(index)
        address = @layout.address(index)
        if @layout.assumed? || address.nil?
          return Phrase["roadmap.guide.bar", bar: @map.bar(index).name]
        end
        if address.bar.zero?
          return(
            Phrase["roadmap.guide.page_line_the_pickup", page: address.page, line: address.line]
          )
        end

        address.said
      end

      private

      def ending_at(bar) = @map.endings.find { |one| one.from == bar }
    end
  end
end
