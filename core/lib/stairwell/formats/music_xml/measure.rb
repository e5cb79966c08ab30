# frozen_string_literal: true

module Stairwell
  module Formats
    module MusicXML
      # One measure of one part, read into onsets and lengths in whole notes.
      class Measure
        # A sounding note with the staff it is written on (1 the upper), its
        # voice, and the stretch between two backups in which it stands.
        Sound = Struct.new(:staff, :voice, :stretch, :note)

        # Parts of a quarter note a score may count in. Own choice: many times what any program
        # writes.
        MOST_DIVISIONS = 1_000_000
        # Notes of a measure of one part. Own choice.
        MOST_NOTES = 2_000

        NO_GRACES = [].freeze
        private_constant :NO_GRACES

        # Note values a meter can count in.
        UNITS = [1, 2, 4, 8, 16, 32, 64].freeze

        # @return [Rational] how far its notes and rests reach
        attr_reader :length
        # @return [Array<Sound>]
        attr_reader :sounds
        # @return [Array<Event>]
        attr_reader :events
        # @return [Score::Meter, nil] a change of meter; bar not yet set
        attr_reader :meter
        # @return [Score::Key, nil]
        attr_reader :key

        # @param element [Nokogiri::XML::Element]
        # @param carried [Carried] changed as the measure is read
        # @param plain [Array<PlainNotes::Plain, nil>] see {PlainNotes#of}
        # @param beside [BesideNotes] learns what else stands in it
        def initialize(element, carried, plain = [], beside = nil)
          @carried = carried
          @plain = plain
          @read = -1
          @length = @at = @onset = 0r
          @stretch = 0
          @sounds = []
          @events = []
          @graces = NO_GRACES
          children = element.element_children.to_a
          if children.size > MOST_NOTES
            raise UnreadableError.new(
                    Phrase[
                      "formats.music_xml.reader.crowded",
                      bar: element["number"].to_s[0, 12],
                      count: children.size,
                      most: MOST_NOTES
                    ],
                    code: :too_much
                  )
          end
          others = children.select { |child| read(child) }
          beside&.know(element, others)
        end

        private

        # @return [Boolean] whether it stands beside the notes
        def read(child)
          case child.name
          when "note"
            note(child)
          when "backup"
            back(duration(child))
          when "forward"
            move(duration(child))
          when "direction"
            return direction(child)
          when "attributes"
            return attributes(child)
          else
            return true
          end
          false
        end

        def attributes(element)
          divisions = element.at_xpath("divisions")&.text.to_s[0, 12].to_i
          @carried.divisions = divisions if divisions.between?(1, MOST_DIVISIONS)
          transpose = element.at_xpath("transpose")
          @carried.transpose(Transposition.of(transpose)) if transpose
          @meter = time(element.at_xpath("time")) || @meter
          @key = signature(element.at_xpath("key")) || @key
          element
            .xpath("clef")
            .each { |clef| @events << Event.new(:clef, @at, (clef["number"] || 1).to_i, clef) }
          true
        end

        # 3+2/8 counts as 5/8.
        def time(element)
          return Score::Meter.free if element&.at_xpath("senza-misura")

          beats = element&.at_xpath("beats")&.text.to_s[0, 60].split("+").sum(&:to_i)
          unit = element&.at_xpath("beat-type")&.text.to_i
          if beats.between?(1, 64) && UNITS.include?(unit)
            Score::Meter.new(beats: beats, unit: unit)
          end
        end

        def signature(element)
          fifths = element&.at_xpath("fifths")&.text&.to_i
          return unless fifths&.between?(-7, 7)

          mode = element.at_xpath("mode")&.text
          Score::Key.new(
            fifths: @carried.transposition.fifths(fifths),
            mode: Score::Key::MODES.include?(mode) ? mode : "major"
          )
        end

        # The offset moves a direction from where it is written.
        def direction(element)
          offset = element.at_xpath("offset")
          at =
            (
              if offset
                @at + Rational(offset.text.to_s[/-?\d{1,9}/] || 0) / (4 * @carried.divisions)
              else
                @at
              end
            )
          staff = element.at_xpath("staff")&.text.to_i
          element
            .xpath("direction-type/*")
            .each { |one| @events << Event.new(one.name.to_sym, [at, 0r].max, staff, one) }
          true
        end

        # Where nothing but its pitch and length is to be known, it is known already.
        def note(element)
          plain = @plain[@read += 1]
          # Under a slur it bears that.
          return plain_note(plain) if plain && @carried.slurs.empty?

          marked(element)
        end

        def plain_note(plain)
          length = length_of(plain.duration)
          onset = plain.chord ? @onset : @at
          pitch = @carried.pitches[plain] ||= written(plain.step, plain.alter, plain.octave)
          if pitch && length.positive?
            @sounds << Sound.new(
              plain.staff,
              plain.voice,
              @stretch,
              plainly(onset, length, pitch, plain.tied)
            )
          end
          return if plain.chord

          @onset = @at
          move(length)
        end

        def plainly(onset, length, pitch, tied)
          graces = @graces
          @graces = NO_GRACES
          Score::Note.new(onset: onset, length: length, pitch: pitch, tied: tied, graces: graces)
        end

        # Its children are looked at once.
        def marked(element)
          parts = element.element_children.group_by(&:name)
          return grace(parts) if parts.key?("grace") && !parts.key?("cue")

          length = whole_notes(parts["duration"])
          # Small notes that another part plays take their time; nobody plays them here.
          return(parts.key?("chord") ? nil : move(length)) if parts.key?("cue")

          onset = parts.key?("chord") ? @onset : @at
          add(parts, onset, length)
          return if parts.key?("chord")

          @onset = @at
          move(length)
        end

        # Grace notes take no time; they are kept with the note they lead to.
        def grace(parts)
          pitch = pitch(parts["pitch"]&.first)
          @graces += [pitch] if pitch
        end

        def add(parts, onset, length)
          staff = [parts["staff"]&.first&.text.to_i, 1].max
          # Most notes bear none.
          marks =
            (
              if @carried.slurs.empty? && !parts.key?("notations") && !parts.key?("lyric")
                NoteMarks::NONE
              else
                NoteMarks.new(parts, @carried.slurs, staff)
              end
            )
          marks.events.each do |kind, value|
            @events << Event.new(
              kind,
              NoteMarks::BEHIND.include?(kind) ? onset + length : onset,
              staff,
              (kind == :fermata) ? length : value
            )
          end
          pitch = pitch(parts["pitch"]&.first)
          return unless pitch && length.positive?

          @sounds << Sound.new(
            staff,
            parts["voice"]&.first&.text.to_s,
            @stretch,
            sounding(parts, marks, onset, length, pitch)
          )
        end

        def sounding(parts, marks, onset, length, pitch)
          graces = @graces
          @graces = NO_GRACES
          Score::Note.new(
            onset: onset,
            length: length,
            pitch: pitch,
            tied: !!parts["tie"]&.any? { |tie| tie["type"] == "stop" },
            finger: marks.finger,
            articulation: marks.articulation,
            graces: graces
          )
        end

        def pitch(element)
          said = element&.element_children.to_a.to_h { |child| [child.name, child.text] }
          written(said["step"], said["alter"], said["octave"])
        end

        def written(step, alter, octave)
          return unless Score::Pitch::STEPS.include?(step)

          @carried.transposition.pitch(
            Score::Pitch.new(
              step: step,
              alter: alter.to_f.clamp(-2.0, 2.0).round,
              octave: octave.to_s[0, 4].to_i.clamp(0, 9)
            )
          )
        end

        def duration(element) = whole_notes(element.xpath("duration"))

        # @return [Rational] whole notes
        def whole_notes(durations) = length_of(durations&.first&.content.to_s)

        # Worked out once for each way it is written.
        def length_of(text)
          @carried.lengths[[text, @carried.divisions]] ||= Rational(
            text[/\A\s*\d{1,9}(\.\d{1,9})?/] || 0
          ) / (4 * @carried.divisions)
        end

        def back(by)
          @stretch += 1
          move(-by)
        end

        def move(by)
          @at = [@at + by, 0r].max
          @length = [@length, @at].max
        end
      end
    end
  end
end
