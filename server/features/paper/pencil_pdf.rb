# frozen_string_literal: true

require_relative "sheet_of_paper"

module Stairwell
  module Server
    module Features
      # What to write into one's own book, as narrow strips that lie beside it.
      class PencilPdf
        # Points between two strips on a page.
        GUTTER = 26
        SIZE = 9.5

        # @param title [String] of the piece
        # @param map [Score::Map] for the names of bars
        # @param lines [Array<Sections::PencilList::Line>]
        def initialize(title, map, lines)
          @title = title
          @map = map
          @lines = lines
        end

        # @return [String] PDF
        def to_s
          @pdf = SheetOfPaper.new(@title)
          @pdf.text(
            Phrase["server.paper.pencil_pdf.title", title: @title].to_s,
            size: 15,
            style: :bold
          )
          @pdf.text(
            Phrase["server.paper.pencil_pdf.#{@lines.empty? ? "nothing" : "about"}"].to_s,
            size: 9
          )
          @pdf.move_down 8
          strips
          @pdf.render
        end

        private

        # Column after column, each with an edge to cut along.
        def strips
          @pdf.column_box(
            [0, @pdf.cursor],
            columns: 2,
            spacer: GUTTER,
            width: @pdf.bounds.width,
            height: @pdf.cursor
          ) { @lines.each { |line| strip(line) } }
        end

        def strip(line)
          @pdf.text(place(line).to_s, size: SIZE, style: :bold)
          @pdf.stroke_color "888888"
          @pdf.line_width 0.5
          @pdf.stroke_horizontal_rule
          @pdf.move_down 3
          line
            .items
            .group_by(&:bar)
            .each do |bar, items|
              name = Phrase["server.paper.pencil_pdf.bar", bar: @map.bar(bar).name]
              @pdf.text(
                Phrase.list([name, *items.map(&:words)], by: :semicolon).to_s,
                size: SIZE,
                indent_paragraphs: 0,
                leading: 2
              )
            end
          @pdf.move_down 8
        end

        def place(line)
          if line.page
            return Phrase["server.paper.pencil_pdf.place", page: line.page, line: line.line]
          end

          Phrase[
            "roadmap.diagnostic.bars",
            from: @map.bar(line.items.first.bar).name,
            to: @map.bar(line.items.last.bar).name
          ]
        end
      end
    end
  end
end
