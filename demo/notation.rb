# frozen_string_literal: true

require "stairwell"

module Demo
  # Writes the demo tunes down in short: bars between "|", notes such as
  # "D5q", "F#4h.", chords "G3+B3h.", rests "-q".
  module Notation
    LENGTHS = { "w" => 1r, "h" => 1 / 2r, "q" => 1 / 4r, "e" => 1 / 8r, "s" => 1 / 16r }.freeze

    module_function

    # @param text [String]
    # @return [Array<Array<Stairwell::Score::Note>>] notes of each bar
    def bars(text) = text.split("|").map { |bar| notes(bar) }

    # @param right [String]
    # @param left [String]
    # @return [Hash] as Stairwell::Score::Map#notes
    def hands(right, left)
      bars(right)
        .zip(bars(left))
        .each_with_index
        .to_h { |(upper, lower), at| [at + 1, { right: upper, left: lower || [] }] }
        .reject { |_, hands| hands.values.all?(&:empty?) }
    end

    # The same bars, every note moved by scale steps in a key.
    # @param text [String]
    # @param steps [Integer]
    # @param key [Stairwell::Score::Key]
    def moved(text, steps, key)
      text.gsub(/([A-G])(?:#|b)?(\d)/) do
        place = Stairwell::Score::Pitch::STEPS.index($1) + 7 * $2.to_i + steps
        step = Stairwell::Score::Pitch::STEPS[place % 7]
        "#{step}#{Stairwell::Score::Pitch::SIGNS.fetch(key.alter(step))}#{place / 7}"
      end
    end

    def notes(bar)
      at = 0r
      bar.split.flat_map do |token|
        pitches, value, dot = token.match(/\A(.+?)([whqes])(\.?)\z/).captures
        length = LENGTHS.fetch(value) * (dot.empty? ? 1 : 3 / 2r)
        onset = at
        at += length
        next [] if pitches == "-"

        pitches
          .split("+")
          .map do |pitch|
            Stairwell::Score::Note.new(
              onset: onset,
              length: length,
              pitch: Stairwell::Score::Pitch.parse(pitch)
            )
          end
      end
    end
    private_class_method :notes
  end
end
