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

        def note(element)
          return if element.at_xpath("grace") || element.at_xpath("cue")

          length = duration(element)
          onset = element.at_xpath("chord") ? @onset : @at
          add(element, onset, length)
          return if element.at_xpath("chord")

          @onset = @at
          move(length)
        end

        def add(element, onset, length)
          pitch = pitch(element.at_xpath("pitch"))
          return unless pitch && length.positive?

          @sounds << Sound.new(
            [element.at_xpath("staff")&.text.to_i, 1].max,
            Score::Note.new(onset: onset, length: length, pitch: pitch, tied: !element.at_xpath("tie[@type='stop']").nil?)
          )
        end

        def pitch(element)
          step = element&.at_xpath("step")&.text
          return unless Score::Pitch::STEPS.include?(step)

          alter = element.at_xpath("alter")&.text.to_f.round.clamp(-2, 2)
          Score::Pitch.new(step: step, alter: alter, octave: element.at_xpath("octave")&.text.to_i.clamp(0, 9))
        end

        def duration(element)
          Rational(element.at_xpath("duration")&.text.to_s[/\A\s*\d+(\.\d+)?/] || 0) / (4 * @carried.divisions)
        end

        def move(by)
          @at = [@at + by, 0r].max
          @length = [@length, @at].max
        end
      end
    end
  end
end
