# frozen_string_literal: true

module Stairwell
  module Server
    module Views
      # @param number [Integer]
      # @return [String] "1st", "2nd", "3rd", "4th"
      def self.ordinal(number) = "#{number}#{{1 => "st", 2 => "nd", 3 => "rd"}.fetch(number, "th")}"

      # A map as a screen shows it: the page, the playing order, the figures.
      # All of it is computed by the core; the browser only draws.
      class Piece
        # @param map [Score::Map]
        def initialize(map)
          @map = map
          @reading = Roadmap.read(map)
          @form = Sections.form(map, @reading)
          @share = Sections.new_share(map)
          @loops = Roadmap::Repeats.of(map).loops
        end

        # @return [Hash] JSON-ready
        def to_h
          {
            title: @map.title, book: @map.book, composer: @map.composer, level: @map.level, figures: figures,
            meters: @map.meters.map(&:to_s), keys: @map.keys.map(&:to_s), tempo_words: @map.tempo.words,
            layout_assumed: @map.layout.assumed?, pages: pages, ribbon: ribbon, form: @form.labels,
            sections: @map.sections.map { |one| section(one) }, diagnostics: diagnostics,
            unread: @map.unread.map { |what, bars| {what: what, bars: bars.map { |bar| @map.bar(bar).name }} },
            script: Formats::PageScript.write(@map), remarks: @map.remarks
          }
        end

        private

        def figures
          {
            bars_printed: @reading.bars_printed, bars_played: @reading.bars_played,
            counts_played: Roadmap.number(@reading.counts_played), page_turns: @reading.page_turns,
            aim: @map.aim.round, seconds: @reading.seconds.round, new_bars: @share.new_bars.to_f.round(1),
            new_bars_rounded: @share.new_bars.round
          }
        end

        def pages
          @map.layout.lines.group_by(&:first).map do |page, rows|
            {number: page, lines: rows.map { |_, line, bars| {line: line, bars: bars.map { |bar| bar(bar) }} }}
          end
        end

        def bar(bar)
          index = bar.index
          {
            index: index, name: bar.name, place: place(index), counts: Roadmap.number(bar.counts),
            opens: @map.repeats.any? { |one| one.from == index } && @loops.any? { |one| one.from == index },
            closes: closing[index], endings: endings(index), signs: signs(index),
            section: @map.section_at(index)&.label,
            relation: @share.relation(index).to_s, played: @reading.order.count(index)
          }
        end

        def place(index)
          address = @map.layout.address(index)
          (address && !@map.layout.assumed? && address.bar.positive?) ? address.to_s : nil
        end

        # How often the repeat that turns back after a bar is played; nil for
        # other bars.
        def closing
          @closing ||= @loops.each_with_object({}) do |loop, found|
            (1...loop.times).each { |pass| found[loop.back_after(pass)] ||= loop.times }
          end
        end

        def endings(index)
          @map.endings.select { |one| one.span.cover?(index) }
            .map { |one| {passes: one.passes, first: one.from == index, last: one.to == index} }
        end

        MARKS = {segno: ["sign", :start, false], coda: ["coda", :start, false], to_coda: ["to coda", :end, true], fine: ["fine", :end, false]}.freeze

        def signs(index)
          marks = MARKS.select { |key, _| @map.public_send(key).include?(index) }.values
          jumps = @map.jumps.select { |jump| jump.after == index }.map { |jump| [jump_words(jump), :end, true] }
          (marks + jumps).map { |words, side, leads| {words: words, side: side.to_s, jump: leads} }
        end

        def jump_words(jump)
          [(jump.to == :capo) ? "D.C." : "D.S.", ("al #{jump.until_sign}" unless jump.until_sign == :end), ("with repeats" if jump.repeats)].compact.join(" ")
        end

        def ribbon
          before = nil
          said = Roadmap::PassNotes.new(@map)
          starts = @form.occurrences.map(&:at).to_set
          @reading.visits.each_with_index.map do |visit, at|
            jump = before && visit.bar != before + 1
            before = visit.bar
            {
              bar: visit.bar, name: @map.bar(visit.bar).name, section: @map.section_at(visit.bar)&.label, starts: starts.include?(at),
              time: visit.time, pass: visit.pass, via: visit.via.to_s, jump: jump ? true : false, reached: reached(visit),
              notes: said.of(visit)
            }
          end
        end

        # Why the music is here and not at the next printed bar, in words.
        def reached(visit)
          case visit.via
          when :repeat then (visit.pass > 2) ? "#{Views.ordinal(visit.pass)} time" : "again"
          when :ending
            ending = @map.endings.find { |one| one.from == visit.bar }
            ending ? "#{Views.ordinal(ending.passes.max)} ending" : "past the ending"
          when :da_capo then "from the beginning"
          when :dal_segno then "back to the sign"
          when :to_coda then "to the coda"
          end
        end

        def section(one)
          {
            label: one.label, difficulty: one.difficulty, words: Formats::PageScript.words(@map, one),
            spans: one.spans.map { |span| {from: span.from, to: span.to, names: names(span)} }
          }
        end

        def names(span) = [span.from, span.to].uniq.map { |bar| @map.bar(bar)&.name || "##{bar}" }.join("–")

        def diagnostics
          (@reading.diagnostics + Sections::Check.call(@map)).map do |one|
            {code: one.code.to_s, bar: one.bar, message: one.message, grave: one.grave}
          end
        end
      end
    end
  end
end
