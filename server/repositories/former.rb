# frozen_string_literal: true

module Stairwell
  module Server
    module Repositories
      # Pieces in hand as they were before a page was taken over.
      module Former
        module_function

        # @param tables [Tables]
        # @param assignment_id [Integer]
        # @return [String, nil] JSON
        def read(tables, assignment_id) =
          tables[:assignments].where(id: assignment_id).get(Sequel.cast(:former, :text))

        # @param text [String, nil] as {read} gives
        # @return [Studio::Former, nil]
        def value(text) = text && Studio::Former.load(JSON.parse(text))
      end
    end
  end
end
