# frozen_string_literal: true

module Stairwell
  module Score
    # What a teacher notes for a section: :fingering or :articulation, in words.
    SectionNote = Stairwell.value(:section, :kind, :text)

    SectionNote::KINDS = %i[fingering articulation].freeze
  end
end
