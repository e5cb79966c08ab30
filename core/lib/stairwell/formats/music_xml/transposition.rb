# frozen_string_literal: true

module Stairwell
  module Formats
    module MusicXML
      # How far a part sounds from where it is written. Keys are pressed where
      # the music sounds, so pitches and keys are moved once, on reading.
      class Transposition
        # @param element [Nokogiri::XML::Element] <transpose>
        # @return [Transposition]
        def self.of(element)
          steps, semitones, octaves =
            %w[diatonic chromatic octave-change].map { |name| element.at_xpath(name)&.text&.to_i }
          steps ||= (semitones.to_i * 7 / 12r).round
          new(
            steps.clamp(-28, 28) + 7 * octaves.to_i.clamp(-4, 4),
            semitones.to_i.clamp(-48, 48) + 12 * octaves.to_i.clamp(-4, 4)
          )
        end

        # @param steps [Integer] scale steps
        # @param semitones [Integer]
        def initialize(steps, semitones)
          @steps = steps
          @semitones = semitones
        end

        NONE = new(0, 0)

        # @param written [Score::Pitch]
        # @return [Score::Pitch] as it sounds
        def pitch(written)
          return written if @semitones.zero?

          place = written.staff_step + @steps
          plain =
            Score::Pitch.new(step: Score::Pitch::STEPS[place % 7], octave: (place / 7).clamp(0, 9))
          plain.with(alter: (written.midi + @semitones - plain.midi).clamp(-2, 2))
        end

        # @param written [Integer] sharps of the written signature, flats negative
        # @return [Integer] of the one that sounds, at most seven signs
        def fifths(written)
          return written if @semitones.zero?

          # Up a semitone is seven fifths; signatures repeat every twelve.
          sounding = written + 7 * @semitones
          sounding -= 12 * (sounding / 12r).round
          sounding.between?(-7, 7) ? sounding : written
        end
      end
    end
  end
end
