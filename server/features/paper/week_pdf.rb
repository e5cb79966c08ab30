# frozen_string_literal: true

require_relative "sheet_of_paper"
require_relative "drawings"
require_relative "paper_row"
require_relative "week_words"

module Stairwell
  module Server
    module Features
      # The week on paper: readable in black and white on a music stand, with a row for each
      # piece of work and a cell for each practice day.
      # The rows use the height of a page; what does not fit on one goes on on the next, and no
      # print is smaller than {LEAST}.
      class WeekPdf
        # Points. Own choice: read from a music stand.
        SIZES = [12, 11, 10.25, 9.5].freeze
        LEAST = SIZES.last
        # Points a row is given at most beyond what it needs.
        AIR = 16

        # @param sheets [Array<Hash>] as {SheetJson#to_h} gives, one a student
        # @param empty [Boolean] boxes only, without what was done already
        # @param told [Array<Hash>] :day and :recap of lessons, the newest first: on a page of their
        #   own
        def initialize(sheets, empty: false, told: [])
          @sheets = sheets
          @empty = empty
          @told = told
        end

        # @return [String] PDF
        def to_s
          @pdf = SheetOfPaper.new(@sheets.map { |one| one[:student] }.join(", "))
          @drawings = Drawings.new(@pdf)
          @sheets.each_with_index do |sheet, at|
            @pdf.start_new_page if at.positive?
            Locales.with(sheet.fetch(:locale, Locales.current)) { page(sheet) }
          end
          recaps if @told.any?
          @pdf.render
        end

        private

        def recaps
          @pdf.start_new_page
          @pdf.text(
            Phrase["server.paper.recaps.of", name: @sheets.first[:student]].to_s,
            size: 18,
            style: :bold
          )
          RecapsPdf.draw(@pdf, @told)
        end

        def page(sheet)
          head(sheet)
          @pictures = !sheet.fetch(:reads, true)
          @column = column(sheet)
          @left = @pdf.bounds.width - @column * sheet[:days].size
          @heights = {}
          rows, foot = rows(sheet), WeekWords.foot(sheet)
          @foot = @pdf.height_of(foot, size: LEAST) + 8
          days(sheet)
          @keys, @size, @stairs = laid(rows, sheet.fetch(:pieces, []))
          @air = air(rows)
          rows.each { |row| drawn(row, sheet) }
          stairs(sheet) if @stairs.positive?
          @pdf.start_new_page if @pdf.cursor < @foot - 1 # what is rounded
          @pdf.bounding_box([0, @foot - 4], width: @pdf.bounds.width) do
            @pdf.text(foot, size: LEAST)
          end
        end

        # How large, whether keys are drawn beside what is said of them, and what the small
        # staircases take: drawings before size, keys before staircases, and one page before either.
        # @return [Array(Boolean, Numeric, Numeric)]
        def laid(rows, pieces)
          plain = sized(rows, room)
          beside = sized(rows, room - STAIRS) if plain && pieces.any?
          return *beside, STAIRS if beside && beside.first == plain.first

          [*(plain || [false, LEAST]), 0]
        end

        # @return [Array(Boolean, Numeric), nil] the largest that has room
        def sized(rows, room) =
          [true, false].product(SIZES)
            .find { |keys, size| rows.sum { |row| height(row, size, keys: keys) } <= room }

        # @return [Numeric] points left above the foot
        def room = @pdf.cursor - @foot

        # @return [Numeric] points that the rows leave of the page
        def spare(rows) = room - rows.sum { |row| height(row, @size) }

        # @return [Numeric] points each row is given of them
        def air(rows) = rows.empty? ? 0 : ((spare(rows) - @stairs) / rows.size).clamp(0, AIR)

        # Points: the row of small staircases with its words, and the widest of them.
        STAIRS = 46
        STAIR = 130

        # How far each piece is, where the page has room for it.
        def stairs(sheet)
          wide = [@pdf.bounds.width / sheet[:pieces].size, STAIR + 20].min
          top = @foot + STAIRS - 8
          sheet[:pieces].each_with_index do |piece, at|
            said =
              Phrase[
                "server.paper.week_pdf.steady",
                title: piece[:title],
                percent: piece[:percent]
              ].to_s
            @drawings.stairs(
              piece[:climb],
              Date.parse(sheet[:today]),
              [at * wide, top],
              width: wide - 20,
              height: 20
            )
            @pdf.text_box(
              said,
              at: [at * wide, top - 23],
              width: wide - 12,
              height: LEAST + 3,
              size: LEAST,
              overflow: :truncate
            )
          end
        end

        def drawn(row, sheet)
          if @pdf.cursor < height(row, @size)
            @pdf.start_new_page
            days(sheet)
          end
          draw(row)
        end

        def head(sheet)
          starts = sheet[:days].first&.fetch(:date)
          @pdf.text(
            (
              if starts
                Phrase[
                  "server.paper.week_pdf.week_from",
                  name: sheet[:student],
                  day: day(starts)
                ].to_s
              else
                sheet[:student]
              end
            ),
            size: 18,
            style: :bold
          )
          @pdf.text(
            [
              sheet[:studio],
              (
                if sheet[:next_lesson]
                  Phrase["server.paper.week_pdf.next_lesson", day: day(sheet[:next_lesson])]
                end
              ),
              Phrase["server.paper.week_pdf.missed_one"],
              (
                if sheet.fetch(:rows, []).any? { |row| row[:short_day] }
                  Phrase["server.paper.week_pdf.short_day"]
                end
              )
            ].compact.join(" · "),
            size: LEAST
          )
          @pdf.move_down 6
        end

        def day(text) = Phrase.day(Date.parse(text), :full)

        # @return [Array<PaperRow>] of the week, in their order; of a week without rows one for each
        #   of its steps
        def rows(sheet) = PaperRow.of(sheet)

        # The left part says what; the right one has a column a day, as wide as its cells need.
        # @return [Numeric] points of a column
        def column(sheet) =
          (@pdf.bounds.width * DAYS_SHARE / [sheet[:days].size, 1].max).clamp(30, WIDEST)

        # Share of the width that is the days', and points of a column at the most.
        DAYS_SHARE, WIDEST = 0.58, 92

        attr_reader :left

        def days(sheet)
          top = @pdf.cursor
          sheet[:days].each_with_index do |one, at|
            x = left + at * @column + 3
            @pdf.draw_text(
              Phrase["server.paper.week_pdf.day", number: at + 1].to_s,
              at: [x, top - 8],
              size: LEAST,
              style: :bold
            )
            @pdf.draw_text(
              Phrase.day(Date.parse(one[:date]), :short_weekday).to_s,
              at: [x, top - 19],
              size: LEAST
            )
          end
          @pdf.move_down 24
          rule
        end

        def rule
          @pdf.stroke_color "888888"
          @pdf.line_width 0.5
          @pdf.stroke_horizontal_rule
        end

        # Points: the little page with its gap, a drawing, and what two of them take.
        PICTURE = 74
        ACTION = 18
        DRAWN = 46

        def height(row, size, keys: @keys)
          words = words_height(row, size) + ((keys && row.starts.any?) ? 22 : 0)
          cells = row.fullest { |line| line_height(line, size) }
          [words, picture_height(row), cells, (@pictures ? ACTION : 0)].max + FREE
        end

        # A line that is wider than its cell goes on below, as large as the rest.
        def line_height(line, size) =
          @heights[[line, size]] ||= @pdf.height_of(line, size: size, width: cell_wide) + 2

        def cell_wide = @column - BOX - 6

        # Setting words is what a page costs: each size of a row is tried once.
        def words_height(row, size)
          @heights[[row.id, size]] ||= @pdf.height_of(
            row.title,
            size: size + 1,
            style: :bold,
            width: words_wide
          ) + @pdf.height_of(row.text, size: size, width: words_wide)
        end

        # What the words have beside the little page, and the drawings where there are
        # some.
        def words_wide = left - PICTURE - 10 - (@pictures ? DRAWN : 0)

        # Points: a line of the little page, and what a row keeps free.
        PITCH = 6
        FREE = 8

        def picture_height(row) =
          row.picture.sum { |page| page[:lines].size * PITCH + 3 }.clamp(0, 60)

        def draw(row)
          top = @pdf.cursor
          tall = height(row, @size) + @air
          @drawings.page(row.picture, top - 4, width: PICTURE - 10.0, pitch: PITCH)
          @pdf.bounding_box([PICTURE, top - 4], width: words_wide) do
            @pdf.text(row.title, size: @size + 1, style: :bold)
            @pdf.text(row.text, size: @size)
            @drawings.keyboard(row.starts, width: left - PICTURE - 14) if @keys && row.starts.any?
          end
          @drawings.actions(row.actions, [left - DRAWN, top - 5], side: ACTION) if @pictures
          row.cells.each_with_index { |cell, at| cell(cell, left + at * @column + 3, top - 6) }
          @pdf.move_cursor_to(top - tall)
          rule
        end

        BOX = 9

        # A box to tick, and how often what is played; nothing on a day on which it isn't.
        def cell(cell, x, y)
          return if cell.lines.empty?

          @pdf.stroke_color "000000"
          @pdf.line_width 0.7
          @pdf.stroke_rectangle([x, y], BOX, BOX)
          @pdf.fill_rectangle([x + 2, y - 2], BOX - 4, BOX - 4) if cell.done && !@empty
          cell
            .lines
            .inject(y + 1) do |top, line|
              @pdf.text_box(line, at: [x + BOX + 3, top], width: cell_wide, size: @size)
              top - line_height(line, @size)
            end
        end
      end
    end
  end
end
