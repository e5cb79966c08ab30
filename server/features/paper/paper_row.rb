# frozen_string_literal: true

module Stairwell
  module Server
    module Features
      # A row of a week on paper: what it says, and a cell for each practice day.
      #
      # - `picture`, `starts`, `actions`: of the first thing in it, see {SheetJson}
      PaperRow =
        Stairwell.value(:id, :title, :text, :cells, picture: [], starts: [], actions: []) do
          # @return [Integer] lines of the fullest cell
          def most_lines = cells.map { |cell| cell.lines.size }.max || 0
        end

      # What stands in it on a day, line by line, and whether it's done.
      PaperRow::Cell = Stairwell.value(:lines, done: false)

      class << PaperRow
        # @param sheet [Hash] as {SheetJson#to_h} gives
        # @return [Array<PaperRow>]
        def of(sheet)
          named = sheet.fetch(:rows, [])
          several = named.filter_map { |row| row[:piece] }.uniq.size > 1
          days = sheet[:days].map { |day| things(day) }
          rows =
            days
              .flatten
              .map { |thing| key(thing) }
              .uniq
              .map do |id|
                row = named.find { |one| one[:id] == id }
                made(id, row, days.map { |day| day.select { |thing| key(thing) == id } }, several)
              end
          rows.sort_by.with_index do |row, at|
            [named.index { |one| one[:id] == row.id } || named.size, at]
          end
        end

        private

        def things(day) =
          [*day[:warm_ups], *day[:items], *day[:extra_work]].reject do |thing|
            thing[:kind] == "more"
          end

        def key(thing) = thing[:row] || "#{thing[:assignment_id]}/#{thing[:step_id] || thing[:id]}"

        def made(id, row, days, several)
          all = days.flatten
          first = all.first
          title = row ? row[:title] : first[:title]
          title = Phrase["rows.of_piece", piece: row[:piece], title: title].to_s if several &&
            row&.dig(:piece)
          PaperRow.new(
            id: id,
            title: row&.dig(:short_day) ? "◆ #{title}" : title.to_s,
            text: text(all),
            cells: days.map { |things| cell(things) },
            picture: first[:picture].to_a,
            starts: first[:starts].to_a,
            actions: first[:actions].to_a
          )
        end

        # Where it is, what to know, and when it's done: that of the last stage.
        def text(things)
          steps = things.select { |thing| thing[:step_id] }
          return "" if steps.empty?

          [steps.map { |step| step[:place] }.uniq.first, WeekWords.of(steps)].compact.join("\n")
        end

        def cell(things)
          lines = things.flat_map { |thing| lines(thing, things) }
          PaperRow::Cell.new(
            lines: lines,
            done: things.all? { |thing| thing[:repetitions] && thing[:done] >= thing[:repetitions] }
          )
        end

        def lines(thing, beside)
          return ["×1"] unless thing[:step_id]

          section = thing[:section] if beside.filter_map { |other| other[:section] }.uniq.size > 1
          [
            [section, thing[:stage], "×#{thing[:repetitions]}"].compact.join(" "),
            (WeekWords.tempo(thing) if thing[:tempo] && thing[:kind] == "step")
          ].compact
        end
      end
    end
  end
end
