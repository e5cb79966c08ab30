# frozen_string_literal: true

module Stairwell
  module Planning
    # What weeks that were planned before there were rows held beyond what is needed, with the id of
    # its step and {MARK} behind it: it counted to nothing that is needed.
    module More
      MARK = "~more"

      # @param id [String] of an item
      # @return [String] of the step it is of
      def self.of(id) = id.delete_suffix(MARK)
    end
  end
end
