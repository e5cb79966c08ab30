# frozen_string_literal: true

module Stairwell
  module Formats
    module MusicXML
      # What is carried from one measure of a part to the next.
      Carried = Struct.new(:divisions)

      # One measure of one part, read into onsets and lengths in whole notes.
      class Measure
        # A sounding note with the staff it is written on, 1 the upper.
        Sound = Struct.new(:staff, :note)

        # @return [Rational] how far its notes and rests reach
        attr_reader :length
        # @return [Array<Sound>]
        attr_reader :sounds
        # @return [Score::Meter, nil] a change of meter; bar not yet set
        attr_reader :meter
        # @return [Score::Key, nil]
        attr_reader :key

        # @param element [Nokogiri::XML::Element]
        # @param carried [Carried] changed as the measure is read
        def initialize(element, carried)
          @carried = carried
          @length = @at = @onset = 0r
          @sounds = []
          element.element_children.each { |child| read(child) }
        end

        private

        def read(child)
          case child.name
          when "attributes" then attributes(child)
          when "note" then note(child)
          when "backup" then move(-duration(child))
          when "forward" then move(duration(child))
          end
        end

        def attributes(element)
          divisions = element.at_xpath("divisions")&.text.to_i
          @carried.divisions = divisions if divisions.positive?
          @meter = time(element.at_xpath("time")) || @meter
          @key = signature(element.at_xpath("key")) || @key
        end

        def time(element)
          beats = element&.at_xpath("beats")&.text.to_s.split("+").sum(&:to_i)
          unit = element&.at_xpath("beat-type")&.text.to_i
          Score::Meter.new(beats: beats, unit: unit) if beats.positive? && unit.positive?
        end

        def signature(element)
          fifths = element&.at_xpath("fifths")&.text&.to_i
          return unless fifths&.between?(-7, 7)

          mode = element.at_xpath("mode")&.text
          Score::Key.new(fifths: fifths, mode: Score::Key::MODES.include?(mode) ? mode : "major")
        end

        # Its children are looked at once: a score has many notes.
        def note(element)
          parts = element.element_children.group_by(&:name)
          return if parts.key?("grace") || parts.key?("cue")

          length = whole_notes(parts["duration"])
          onset = parts.key?("chord") ? @onset : @at
          add(parts, onset, length)
          return if parts.key?("chord")

          @onset = @at
          move(length)
        end

        def add(parts, onset, length)
          pitch = pitch(parts["pitch"]&.first)
          return unless pitch && length.positive?

          @sounds << Sound.new(
            [parts["staff"]&.first&.text.to_i, 1].max,
            Score::Note.new(onset: onset, length: length, pitch: pitch, tied: !!parts["tie"]&.any? { |tie| tie["type"] == "stop" })
          )
        end

        def pitch(element)
          said = element&.element_children.to_a.to_h { |child| [child.name, child.text] }
          return unless Score::Pitch::STEPS.include?(said["step"])

          Score::Pitch.new(step: said["step"], alter: said["alter"].to_f.round.clamp(-2, 2), octave: said["octave"].to_i.clamp(0, 9))
        end

        def duration(element) = whole_notes(element.xpath("duration"))

        # @return [Rational] whole notes
        def whole_notes(durations)
          Rational(durations&.first&.text.to_s[/\A\s*\d+(\.\d+)?/] || 0) / (4 * @carried.divisions)
        end

        def move(by)
          @at = [@at + by, 0r].max
          @length = [@length, @at].max
        end
      end
    end
  end
end
