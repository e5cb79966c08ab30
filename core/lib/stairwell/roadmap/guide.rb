# frozen_string_literal: true

module Stairwell
  module Roadmap
    # @param number [Integer]
    # @return [String] "1st", "2nd", "3rd", "4th"
    def self.ordinal(number) = "#{number}#{(number % 100).between?(11, 13) ? "th" : {1 => "st", 2 => "nd", 3 => "rd"}.fetch(number % 10, "th")}"

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
        when :repeat then (visit.pass > 2) ? "#{Roadmap.ordinal(visit.pass)} time" : "again"
        when :ending
          ending = @map.endings.find { |one| one.from == visit.bar }
          ending ? "#{Roadmap.ordinal(ending.passes.max)} ending" : "past the ending"
        when :da_capo then "from the beginning"
        when :dal_segno then "back to the sign"
        when :to_coda then "to the coda"
        end
      end

      # @param at [Integer]
      # @return [String, nil] what comes after this bar where it is not the next
      #   printed one, as "back to the sign, page 12, line 2, bar 1"
      def ahead(at)
        return unless @visits[at + 1] && leap?(at + 1)

        verb = {repeat: "back for the #{Roadmap.ordinal(@visits[at + 1].pass)} time", ending: "skip to the #{reached(at + 1)}".sub("skip to the past", "skip past")}
        "#{verb.fetch(@visits[at + 1].via) { reached(at + 1) || "on to" }}, #{place(@visits[at + 1].bar)}".sub("on to,", "on to")
      end

      # @param index [Integer] of a bar
      # @return [String] page, line and bar; the bar number where the page was not
      #   described
      def place(index)
        address = @layout.address(index)
        return "bar #{@map.bar(index).name}" if @layout.assumed? || address.nil?
        return "page #{address.page}, line #{address.line}, the pickup" if address.bar.zero?

        address.to_s
      end
    end
  end
end
