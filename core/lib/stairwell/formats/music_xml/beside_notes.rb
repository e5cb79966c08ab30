# frozen_string_literal: true

module Stairwell
  module Formats
    module MusicXML
      # What stands in a measure beside its notes, looked up once: several readers ask for it, and
      # asking the document for each measure anew is what a long score costs.
      class BesideNotes
        NOTES = %w[note backup forward].freeze
        private_constant :NOTES

        def initialize
          @of = {}.compare_by_identity
        end

        # What was looked up anyway.
        # @param measure [Nokogiri::XML::Element]
        # @param others [Array<Nokogiri::XML::Element>] of its children, those that are no notes and
        #   no moves between them
        # @return [void]
        def know(measure, others) = @of[measure] = others

        # @param measure [Nokogiri::XML::Element]
        # @param names [Array<String>] of elements
        # @return [Array<Nokogiri::XML::Element>] in their order
        def of(measure, *names)
          (
            @of[measure] ||= measure.element_children.reject { |one| NOTES.include?(one.name) }
          ).select { |one| names.include?(one.name) }
        end
      end
    end
  end
end
