# frozen_string_literal: true

module Stairwell
  module Studio
    # What a tempo counts: a note value, as a metronome mark shows it, and its name.
    Beat = Stairwell.value(:value, :dotted, :name)

    # @param map [Score::Map]
    # @param meter [Score::Meter]
    # @return [Beat]
    def Beat.of(map, meter)
      length = meter.count_length
      plain = meter.compound? ? length * 2 / 3 : length
      new(
        value: Sections::Values::NAMES.fetch(plain),
        dotted: meter.compound?,
        name: Sections::Values.new(map).name(length).to_s
      )
    end
  end
end
