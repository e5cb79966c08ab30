# frozen_string_literal: true

module Stairwell
  module Server
    module Features
      # A row of a week on paper: what it says, and a cell for each practice day.
      #
      # - `picture`, `starts`, `actions`: of the first thing in it, see {SheetJson}
      PaperRow =
        Stairwell.value(:id, :title, :text, :cells, picture: [], starts: [], actions: []) do
          # @yieldparam line [String] of a cell
          # @yieldreturn [Numeric] points it takes
          # @return [Numeric] points of the fullest cell
          def fullest(&) = cells.map { |cell| cell.lines.sum(&) }.max || 0
        end

      # What stands in it on a day, line by line, and whether it's done.
      PaperRow::Cell = Stairwell.value(:lines, done: false)

      class << PaperRow
        # @param sheet [Hash] as {SheetJson#to_h} gives
        # @return [Array<PaperRow>]
        def of(sheet)
          named = sheet.fetch(:rows, []).to_h { |row| [row[:id], row] }
          days = sheet[:days].map { |day| things(day) }
          ids = days.flatten.map { |thing| key(thing) }.uniq
          ((named.keys & ids) | ids).map do |id|
            made(id, named[id], days.map { |day| day.select { |thing| key(thing) == id } })
          end
        end

        private

        def things(day) =
          [*day[:warm_ups], *day[:items], *day[:extra_work]].reject { |one| one[:kind] == "more" }

        def key(thing) = thing[:row] || "#{thing[:assignment_id]}/#{thing[:step_id] || thing[:id]}"

        def made(id, row, days)
          all = days.flatten
          first = all.find { |thing| thing[:step_id] } || all.first
          title = (row || first)[:title]
          PaperRow.new(
            id: id,
            title: row&.fetch(:short_day) ? "◆ #{title}" : title.to_s,
            text: text(all),
            cells: days.map { |things| cell(things, row) },
            picture: first[:picture].to_a,
            starts: first[:starts].to_a,
            actions: first[:actions].to_a
          )
        end

        # Where it is, what to know, and when it's done: that of the last stage.
        def text(things)
          steps = things.select { |thing| thing[:step_id] }
          return "" if steps.empty?

          where = steps.map { |step| step[:place] }.uniq
          [
            Phrase.list([steps.first[:piece], *(where.first if where.one?)], by: :comma),
            WeekWords.of(steps)
          ].join("\n")
        end

        def cell(things, row)
          PaperRow::Cell.new(
            lines: things.flat_map { |thing| lines(thing, things, row) }.uniq,
            done: things.all? { |thing| thing[:repetitions] && thing[:done] >= thing[:repetitions] }
          )
        end

        # Of several sections in a row, which one; what goes in one go is said once.
        def lines(thing, beside, row)
          return ["×1"] unless thing[:step_id]

          several = beside.filter_map { |other| other[:section] }.uniq.size > 1
          section = thing[:section] if several && row&.fetch(:kind)&.to_s != "grow"
          stage = thing[:stage] unless row && thing[:stage].to_s.casecmp?(row[:title].to_s)
          [
            [section, stage, "×#{thing[:repetitions]}"].compact.join(" "),
            (WeekWords.tempo(thing) if thing[:tempo] && thing[:kind] == "step")
          ].compact
        end
      end
    end
  end
end
