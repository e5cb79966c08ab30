# frozen_string_literal: true

module Stairwell
  module Formats
    module MusicXML
      # Something a measure says besides sounding notes: its kind, where from the
      # start of the bar in whole notes, on which staff, and what.
      Event = Struct.new(:kind, :at, :staff, :value)
    end
  end
end
