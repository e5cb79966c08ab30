# frozen_string_literal: true

require_relative "aspects/touch"
require_relative "aspects/line"
require_relative "aspects/strain_of_fingers"
require_relative "aspects/scale_fingers"
require_relative "aspects/runs"
require_relative "aspects/scale_runs"
require_relative "aspects/chromatic_runs"
require_relative "aspects/arpeggio_runs"
require_relative "aspects/fingering"
require_relative "aspects/move"
require_relative "aspects/places"
require_relative "aspects/tonality"
require_relative "aspects/accidentals"
require_relative "aspects/rhythms"
require_relative "aspects/counting"
require_relative "aspects/articulations"
require_relative "aspects/tune"
require_relative "aspects/harmony"
require_relative "aspects/pedalling"

module Stairwell
  # What a page asks of hands, ears and eyes, one aspect at a time: fingers and places, rhythm,
  # harmony, articulation, the tune, pedal. All of it is worked out from the notes; what is printed
  # or typed is told apart.
  module Aspects
  end
end
