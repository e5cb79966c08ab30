# frozen_string_literal: true

require_relative "score/meter"
require_relative "score/pitch"
require_relative "score/note"
require_relative "score/clef"
require_relative "score/key"
require_relative "score/names"
require_relative "score/scale"
require_relative "score/phrasing"
require_relative "score/unread"
require_relative "score/assumed"
require_relative "score/tempo_words"
require_relative "score/bar"
require_relative "score/page"
require_relative "score/address"
require_relative "score/layout"
require_relative "score/span"
require_relative "score/repeat"
require_relative "score/ending"
require_relative "score/jump"
require_relative "score/leave"
require_relative "score/tempo"
require_relative "score/tempo_change"
require_relative "score/fermata"
require_relative "score/pass_note"
require_relative "score/start"
require_relative "score/hands"
require_relative "score/dynamic"
require_relative "score/verse"
require_relative "score/spot"
require_relative "score/join"
require_relative "score/section_note"
require_relative "score/octave"
require_relative "score/told"
require_relative "score/markings"
require_relative "score/variant"
require_relative "score/section"
require_relative "score/map"
require_relative "score/bar_match"
require_relative "score/bounds"
require_relative "score/coherence"
require_relative "score/markings_document"
require_relative "score/document"

module Stairwell
  # What is printed: bars with their real lengths, meters, keys, the layout of
  # pages and lines, the signs, the teacher's sections, and the notes where a
  # score was read. Nothing here knows in which order the bars are played.
  module Score
  end
end
