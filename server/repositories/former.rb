# frozen_string_literal: true

module Stairwell
  module Server
    module Repositories
      # Pieces in hand as they were before a page was taken over.
      module Former
        module_function

        # @param tables [Tables]
        # @param assignment_id [Integer]
        # @return [Studio::Former, nil]
        def of(tables, assignment_id)
          text = tables[:assignments].where(id: assignment_id).get(Sequel.cast(:former, :text))
          Studio::Former.load(JSON.parse(text)) if text
        end
      end
    end
  end
end
