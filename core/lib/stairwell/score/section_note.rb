# frozen_string_literal: true

module Stairwell
  module Score
    # What a teacher notes for a section, in words: :fingering, :articulation, or how the hand
    # moves.
    SectionNote = Stairwell.value(:section, :kind, :text)

    SectionNote::KINDS = %i[fingering articulation movement].freeze
  end
end
