# frozen_string_literal: true

require "prawn-svg"

module Stairwell
  module Server
    module Features
      # What is drawn on the week's paper: the little page, what the hands do, and the
      # keys where they begin; in black and white.
      class Drawings
        # What to do: the same lines as on the screen.
        ACTIONS =
          JSON.parse(
            File.read(File.expand_path("../../../web/src/components/actions.json", __dir__))
          ).freeze
        WHITE = [0, 2, 4, 5, 7, 9, 11].freeze
        INK = "444444"
        # Pages and lines of each that are drawn.
        PAGES, LINES = 2, 8

        # @param pdf [Prawn::Document]
        def initialize(pdf)
          @pdf = pdf
        end

        # Lines of bars, those of the step filled.
        # @param pages [Array<Hash>] see {StepPlace#of}
        # @param top [Numeric]
        # @param pitch [Numeric] from line to line
        # @return [void]
        def page(pages, top, width:, pitch:)
          pages
            .first(PAGES)
            .each do |page|
              page[:lines]
                .first(LINES)
                .each do |line|
                  bar = width / [line[:bars].size, 1].max
                  line[:bars].each_with_index do |lit, at|
                    box([at * bar, top], bar, pitch - 2, lit ? INK : "FFFFFF")
                  end
                  top -= pitch
                end
              top -= 3
            end
          @pdf.fill_color "000000"
        end

        # For who cannot read: what to do.
        # @param names [Array<String>] see {Practice.pictures}
        # @param corner [Array(Numeric, Numeric)]
        # @return [void]
        def actions(names, corner, side:)
          names.each_with_index do |name, at|
            lines =
              ACTIONS
                .fetch(name, [])
                .map do |line|
                  "<path d=\"#{line["d"]}\"#{" transform=\"#{line["transform"]}\"" if line["transform"]}/>"
                end
            svg =
              "<svg xmlns=\"http://www.w3.org/2000/svg\" viewBox=\"0 0 64 64\"><g fill=\"none\" stroke=\"black\" stroke-width=\"5\" stroke-linecap=\"round\">#{lines.join}</g></svg>"
            @pdf.svg(
              svg,
              at: [corner[0] + at * (side + 3), corner[1]],
              width: side,
              enable_web_requests: false
            )
          end
        end

        # Two octaves around where the hands begin, the first keys marked with their
        # fingers.
        # @param starts [Array<Hash>] see {StepPlace#of}
        # @return [void]
        def keyboard(starts, width:)
          low = starts.map { |one| one[:midi] }.min / 12 * 12
          high = [starts.map { |one| one[:midi] }.max, low + 12].max
          keys = (low..(high / 12 * 12 + 12)).to_a
          white = keys.select { |key| WHITE.include?(key % 12) }
          wide = [8, width / white.size].min
          top = @pdf.cursor - 2
          white.each_with_index { |key, at| key(key, starts, [at * wide, top], wide, 16, "FFFFFF") }
          (keys - white).each do |key|
            key(
              key,
              starts,
              [white.index(key - 1) * wide + wide * 0.65, top],
              wide * 0.7,
              9,
              "000000"
            )
          end
          @pdf.fill_color "000000"
          @pdf.move_down 20
        end

        # The staircase in small: to the right the days until today, upward the work that is steady.
        # @param climb [Hash] see the contract's SmallStairs
        # @param corner [Array(Numeric, Numeric)] upper left
        # @return [void]
        def stairs(climb, today, corner, width:, height:)
          left, base = corner[0], corner[1] - height
          from = Date.parse(climb[:from])
          days = [(today - from).to_i, FORTNIGHT].max
          x = ->(date) { left + (date - from).to_f / days * width }
          points =
            climb[:rises].inject([[left, base]]) do |found, rise|
              [
                *found,
                [x[Date.parse(rise[:date])], found.last[1]],
                [x[Date.parse(rise[:date])], base + rise[:percent] / 100.0 * height]
              ]
            end
          @pdf.fill_color INK
          if points.size > 1
            @pdf.fill_polygon(*points, [x[today], points.last[1]], [x[today], base])
          end
          @pdf.fill_color "000000"
          @pdf.stroke_color INK
          @pdf.line_width 0.5
          @pdf.stroke_line([left, base], [left + width, base])
        end

        # Days that are drawn at least, so that the first step does not look like a wall. Own
        # choice.
        FORTNIGHT = 14
        private_constant :FORTNIGHT

        private

        def key(midi, starts, corner, width, tall, ground)
          found = starts.find { |one| one[:midi] == midi }
          box(corner, width, tall, found ? "999999" : ground)
          return unless found

          @pdf.fill_color "000000"
          @pdf.draw_text(
            (found[:finger] || "•").to_s,
            at: [corner[0] + width / 2 - 1.5, corner[1] - tall + 2],
            size: 6,
            style: :bold
          )
        end

        def box(corner, width, tall, ground)
          @pdf.fill_color ground
          @pdf.stroke_color INK
          @pdf.line_width 0.4
          @pdf.fill_and_stroke_rectangle(corner, width, tall)
        end
      end
    end
  end
end
