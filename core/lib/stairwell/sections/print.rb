# frozen_string_literal: true

module Stairwell
  module Sections
    # What is compared of one hand in one bar. Onsets and lengths make the
    # rhythm; pitches are kept by semitone and by scale step, with what differs
    # from the key.
    Print = Struct.new(:rhythm, :semitones, :steps, :alters)
  end
end
