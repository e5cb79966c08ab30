# frozen_string_literal: true

module Stairwell
  module Formats
    module MusicXML
      # Writes a map as a MusicXML 4.0 score of one piano part on two staves,
      # with its bar lines, breaks and, where they are known, its notes (one
      # voice for each hand; notes of a hand that start together must end
      # together).
      class Writer
        # Divisions of a quarter note: fine enough for 32nds and triplets.
        DIVISIONS = 24
        MARKS = { tocoda: "To Coda", fine: "Fine" }.freeze
        STAVES = { right: %w[1 1], left: %w[2 5] }.freeze

        # @param map [Score::Map]
        def initialize(map)
          @map = map
          @loops = Roadmap::Repeats.of(map).loops
          @breaks = breaks
          @directions = Directions.new(map, DIVISIONS)
          @notes = NoteWriter.new(map)
        end

        # @return [String] XML text
        def to_s
          Nokogiri::XML::Builder
            .new(encoding: "UTF-8") do |xml|
              xml.doc.create_internal_subset(
                "score-partwise",
                "-//Recordare//DTD MusicXML 4.0 Partwise//EN",
                "http://www.musicxml.org/dtds/partwise.dtd"
              )
              xml.send(:"score-partwise", version: "4.0") do
                xml.work { xml.send(:"work-title", @map.title) }
                xml.identification { xml.creator(@map.composer, type: "composer") } if @map.composer
                xml.send(:"part-list") do
                  xml.send(:"score-part", id: "P1") { xml.send(:"part-name", "Piano") }
                end
                xml.part(id: "P1") { @map.bars.each { |bar| measure(xml, bar) } }
              end
            end
            .to_xml
        end

        private

        def breaks
          return {} if @map.layout.assumed?

          pages = @map.layout.lines.chunk_while { |a, b| a[0] == b[0] }
          pages
            .flat_map do |rows|
              rows.each_with_index.map do |(page, _, bars), at|
                [bars.first.index, [page, at.zero?]]
              end
            end
            .to_h
        end

        def measure(xml, bar)
          xml.measure(
            number: bar.number || "X#{bar.index}",
            **((bar.pickup? || bar.number.nil?) ? { implicit: "yes" } : {})
          ) do
            print(xml, bar)
            attributes(xml, bar)
            [
              (@map.tempo if bar.index == 1),
              *@map.markings.tempos.select { |one| one.bar == bar.index }
            ].compact.each { |one| tempo(xml, one) }
            left_line(xml, bar.index)
            rehearsals(xml, bar.index)
            marks(xml, bar.index, { segno: @map.segno, coda: @map.coda })
            @directions.write(xml, bar)
            @notes.write(xml, bar)
            marks(xml, bar.index, { tocoda: @map.to_coda, fine: @map.fine })
            @map.jumps.each { |jump| jump(xml, jump) if jump.after == bar.index }
            right_line(xml, bar.index)
          end
        end

        def print(xml, bar)
          page, new_page = @breaks[bar.index]
          return unless page

          said = new_page ? { "page-number": page } : { "new-system": "yes" }
          said[:"new-page"] = "yes" if new_page && bar.index > 1
          xml.print(**said)
        end

        def attributes(xml, bar)
          meter = bar.meter if bar.index == 1 || bar.meter != @map.bar(bar.index - 1).meter
          key = @map.keys.find { |one| one.bar == bar.index }
          clefs = @map.clefs.select { |one| one.bar == bar.index && one.beat == 1 }
          return unless meter || key || clefs.any?

          xml.attributes do
            xml.divisions(DIVISIONS) if bar.index == 1
            xml.key { xml.fifths(key.fifths) && xml.mode(key.mode) } if key
            time(xml, meter) if meter
            xml.staves(2) if bar.index == 1
            clefs(xml, clefs, (bar.index == 1) ? { right: "treble", left: "bass" } : {})
          end
        end

        def time(xml, meter)
          xml.time do
            if meter.free
              xml.send(:"senza-misura")
            else
              xml.beats(meter.beats) && xml.send(:"beat-type", meter.unit)
            end
          end
        end

        def clefs(xml, said, usual)
          usual
            .merge(said.to_h { |one| [one.hand, one.name] })
            .each do |hand, name|
              kind, octave = name.split(/ (?=8v)/)
              next unless (sign, line = Marks::CLEFS.key(kind))

              xml.clef(number: STAVES.fetch(hand).first) do
                xml.sign(sign) && xml.line(line)
                xml.send(:"clef-octave-change", (octave == "8va") ? 1 : -1) if octave
              end
            end
        end

        # The sections' letters, where they begin.
        def rehearsals(xml, index)
          @map.sections.each do |section|
            next unless section.spans.any? { |span| span.from == index }

            xml.direction(placement: "above") do
              xml.send(:"direction-type") { xml.rehearsal(section.label) }
            end
          end
        end

        def tempo(xml, tempo)
          return unless tempo.mark || Score::TempoWords.known?(tempo.words.to_s)

          xml.direction(placement: "above") do
            xml.send(:"direction-type") { xml.words(tempo.words) } if tempo.words
            xml.send(:"direction-type") { metronome(xml, tempo) } if tempo.mark
          end
        end

        def metronome(xml, tempo)
          _, unit, dotted = NoteWriter.type(tempo.mark_unit)
          xml.metronome do
            xml.send(:"beat-unit", unit)
            xml.send(:"beat-unit-dot") if dotted
            xml.send(:"per-minute", tempo.mark)
          end
        end

        # Signs and words as they are printed, with the sound that they mean.
        def marks(xml, index, bars)
          bars.each do |name, all|
            next unless all.include?(index)

            xml.direction(placement: "above") do
              xml.send(:"direction-type") do
                MARKS.key?(name) ? xml.words(MARKS[name]) : xml.send(name)
              end
              xml.sound(name => (name == :fine) ? "yes" : "1")
            end
          end
        end

        def jump(xml, jump)
          words = [
            (jump.to == :capo) ? "D.C." : "D.S.",
            ("al #{jump.until_sign.capitalize}" unless jump.until_sign == :end),
            ("with repeats" if jump.repeats)
          ].compact.join(" ")
          xml.direction(placement: "above") do
            xml.send(:"direction-type") { xml.words(words) }
            xml.sound(**((jump.to == :capo) ? { dacapo: "yes" } : { dalsegno: "1" }))
          end
        end

        def left_line(xml, index)
          ending = @map.endings.find { |one| one.from == index }
          # A repeat from the first bar needs no opening sign.
          forward = @map.repeats.any? { |one| one.from == index && index > 1 }
          return unless ending || forward

          xml.barline(location: "left") do
            xml.ending(number: ending.passes.join(", "), type: "start") if ending
            xml.repeat(direction: "forward") if forward
          end
        end

        def right_line(xml, index)
          ending = @map.endings.find { |one| one.to == index }
          loop = @loops.find { |one| one.times > 1 && closes?(one, index) }
          double = @map.double_bars.include?(index)
          return unless ending || loop || double

          xml.barline(location: "right") do
            xml.send(:"bar-style", "light-light") if double && !loop
            if ending
              xml.ending(number: ending.passes.join(", "), type: loop ? "stop" : "discontinue")
            end
            if loop
              xml.repeat(
                direction: "backward",
                **((loop.times > 2 && loop.closing.empty?) ? { times: loop.times } : {}),
                **(loop.again ? { "after-jump": "yes" } : {})
              )
            end
          end
        end

        def closes?(loop, index) = (1...loop.times).any? { |pass| loop.back_after(pass) == index }
      end

      # @param map [Score::Map]
      # @return [String] MusicXML text
      def self.write(map) = Writer.new(map).to_s

      # @param map [Score::Map]
      # @return [String] bytes of a compressed score (.mxl)
      def self.compress(map)
        Zip::OutputStream
          .write_buffer do |zip|
            zip.put_next_entry(Package::CONTAINER)
            zip.write(
              %(<?xml version="1.0"?><container><rootfiles><rootfile full-path="score.musicxml"/></rootfiles></container>)
            )
            zip.put_next_entry("score.musicxml")
            zip.write(write(map))
          end
          .string
      end
    end
  end
end
