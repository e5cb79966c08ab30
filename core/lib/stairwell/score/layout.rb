# frozen_string_literal: true

module Stairwell
  module Score
    # Pages and lines of a piece. A pickup stands at the start of its line and
    # is not counted, so `page 12 line 3 bar 2` means the second numbered bar.
    class Layout
      attr_reader :pages

      # @param pages [Array<Page>] empty when the page was not described
      # @param bars [Array<Bar>]
      def initialize(pages, bars)
        @bars = bars
        @assumed = pages.empty?
        @pages = (@assumed ? assumed : pages).freeze
      end

      # @return [Boolean] whether lines of four were assumed
      def assumed? = @assumed

      # @return [Array<Array(Page, Integer, Array<Bar>)>] page, line number and
      #   the bars on it, pickups included, in printed order; bars past the
      #   last described line stand on that line
      def lines
        @lines ||=
          begin
            rest = @bars.dup
            rows = slots.map { |page, line, held| [page, line, take(rest, held)] }
            rows.last[2].concat(rest) if rows.any?
            rows.reject { |_, _, bars| bars.empty? }.freeze
          end
      end

      # @param index [Integer] a bar's index
      # @return [Address, nil] a pickup has the address of its line with bar 0
      def address(index)
        places[index]
      end

      # @return [Integer] index of the bar at that place
      # @raise [UnreadableError] saying what the page really holds
      def index(page:, line:, bar:)
        found = @pages.find { |one| one.number == page }
        unless found
          raise UnreadableError,
                Phrase[
                  "score.layout.there_is_no_page_the_piece",
                  page: page,
                  page_names: page_names
                ]
        end

        unless line.between?(1, found.lines.size)
          raise UnreadableError,
                Phrase[
                  "score.layout.page_has_lines_not",
                  page: page,
                  lines: found.lines.size,
                  line: line
                ]
        end

        place = places.key(Address.new(page: page, line: line, bar: bar))
        return place if place && bar.positive?

        raise UnreadableError,
              Phrase[
                "score.layout.page_line_has_bars_not",
                page: page,
                line: line,
                held: found.lines[line - 1],
                bar: bar
              ]
      end

      # A line that takes bars of the next one, or leaves it some; it keeps one.
      # @param page [Integer]
      # @param line [Integer]
      # @param by [Integer] bars, fewer than none to leave them
      # @return [Array<Integer>, nil] bars a line of that page then; nil where
      #   nothing changes
      def shifted(page:, line:, by:)
        held = lines.select { |number, _, _| number == page }.map { |_, _, bars| numbered(bars) }
        own, following = held[line - 1], held.fetch(line, 0)
        return unless line.positive? && own

        far = by.clamp([1 - own, 0].min, following)
        held[line - 1, 2] = [own + far, following - far]
        held.reject(&:zero?) unless far.zero?
      end

      # @return [Boolean] whether the eye has to find another page between two bars
      def turn?(from, to) = address(from)&.page != address(to)&.page

      private

      def slots
        @pages.flat_map do |page|
          page.lines.each_with_index.map { |held, at| [page.number, at + 1, held] }
        end
      end

      def take(rest, held)
        row = []
        while (bar = rest.first) &&
                (numbered(row) < held || (row.empty? ? bar.pickup? : !counted?(bar)))
          row << rest.shift
        end
        row
      end

      def numbered(row) = row.count { |bar| counted?(bar) }

      # A bar without a number goes on with the one before it, unless none has one.
      def counted?(bar)
        @bare = @bars.none? { |one| one.number&.positive? } if @bare.nil?
        !bar.pickup? && (!bar.number.nil? || @bare)
      end

      def places
        @places ||=
          lines
            .each_with_object({}) do |(page, line, row), found|
              at = 0
              row.each do |bar|
                at += 1 if counted?(bar)
                found[bar.index] = Address.new(page: page, line: line, bar: at)
              end
            end
            .freeze
      end

      def assumed
        left = numbered(@bars)
        rows = []
        while left.positive?
          rows << [left, Constants::ASSUMED_LINE].min
          left -= rows.last
        end
        [Page.new(number: 1, lines: rows.empty? ? [1] : rows)]
      end

      def page_names
        if @pages.size == 1
          Phrase["score.layout.page", number: @pages.first.number]
        else
          Phrase["score.layout.pages_to", from: @pages.first.number, to: @pages.last.number]
        end
      end
    end
  end
end
