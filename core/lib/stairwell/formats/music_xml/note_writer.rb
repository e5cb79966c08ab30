# frozen_string_literal: true

module Stairwell
  module Formats
    module MusicXML
      # Writes the notes of a bar: one voice for each hand, rests where it is silent.
      class NoteWriter
        # Note types by length in whole notes, plain and dotted, longest first.
        TYPES =
          Tempos::UNITS
            .flat_map { |name, length| [[length * 3 / 2, name, true], [length, name, false]] }
            .sort_by { |length, _, _| -length }
            .freeze

        # @param length [Rational] in whole notes
        # @return [Array(Rational, String, Boolean)] the longest note value that
        #   fits, its name, and whether it is dotted
        def self.type(length) =
          TYPES.find { |value, _, _| value <= length } || [length, TYPES.last[1], false]

        # @param map [Score::Map]
        def initialize(map)
          @map = map
          @fermatas = map.markings.fermatas.to_h { |one| [[one.bar, one.beat], one] }
        end

        # @param xml [Nokogiri::XML::Builder] inside a measure
        # @param bar [Score::Bar]
        # @return [void]
        def write(xml, bar)
          Writer::STAVES.each_with_index do |(hand, (staff, voice)), at|
            xml.backup { xml.duration(units(bar.length)) } if at.positive?
            voice(xml, @map.notes.dig(bar.index, hand).to_a, bar, staff, voice)
          end
        end

        private

        def voice(xml, notes, bar, staff, voice)
          reached = 0r
          notes
            .group_by(&:onset)
            .sort
            .each do |onset, together|
              rests(xml, onset - reached, staff, voice)
              together.flat_map(&:graces).each { |pitch| grace(xml, pitch, staff, voice) }
              held = @fermatas[[bar.index, 1 + onset / bar.meter.count_length]]
              together.each_with_index do |note, at|
                note(xml, note, at.positive?, staff, voice, held)
              end
              reached = onset + together.map(&:length).max
            end
          rests(xml, bar.length - reached, staff, voice)
        end

        def note(xml, note, chord, staff, voice, held)
          xml.note do
            xml.chord if chord
            pitch(xml, note.pitch)
            value(xml, note.length, staff, voice) { xml.tie(type: "stop") if note.tied }
            notations(xml, note, held)
          end
        end

        def pitch(xml, pitch)
          xml.pitch do
            xml.step(pitch.step)
            xml.alter(pitch.alter) unless pitch.alter.zero?
            xml.octave(pitch.octave)
          end
        end

        def grace(xml, pitch, staff, voice)
          xml.note do
            xml.grace(slash: "yes")
            pitch(xml, pitch)
            xml.voice(voice) && xml.type("eighth") && xml.staff(staff)
          end
        end

        # Slurs are not kept note by note and are not written.
        def notations(xml, note, held)
          touch = note.articulation - %w[slurred broken]
          return unless note.finger || note.articulation.include?("broken") || touch.any? || held

          xml.notations do
            xml.technical { xml.fingering(note.finger) } if note.finger
            xml.articulations { touch.each { |name| xml.send(name.tr(" ", "-")) } } if touch.any?
            xml.arpeggiate if note.articulation.include?("broken")
            xml.fermata if held
          end
        end

        def rests(xml, length, staff, voice)
          while length.positive?
            part = type(length).first
            xml.note do
              xml.rest
              value(xml, part, staff, voice)
            end
            length -= part
          end
        end

        def value(xml, length, staff, voice)
          xml.duration(units(length))
          yield if block_given?
          xml.voice(voice)
          _, name, dotted = type(length)
          xml.type(name)
          xml.dot if dotted
          xml.staff(staff)
        end

        def type(length) = self.class.type(length)

        def units(length) = (length * 4 * Writer::DIVISIONS).to_i
      end
    end
  end
end
