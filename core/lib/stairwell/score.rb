# frozen_string_literal: true

require_relative "score/meter"
require_relative "score/pitch"
require_relative "score/names"
require_relative "score/unread"
require_relative "score/tempo_words"
require_relative "score/bar"
require_relative "score/layout"
require_relative "score/signs"
require_relative "score/markings"
require_relative "score/section"
require_relative "score/map"
require_relative "score/markings_document"
require_relative "score/document"

module Stairwell
  # What is printed: bars with their real lengths, meters, keys, the layout of
  # pages and lines, the signs, the teacher's sections, and the notes where a
  # score was read. Nothing here knows in which order the bars are played.
  module Score
  end
end
