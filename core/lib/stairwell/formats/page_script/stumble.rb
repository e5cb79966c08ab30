# frozen_string_literal: true

module Stairwell
  module Formats
    module PageScript
      # Raised inside the reader where a statement stops making sense.
      class Stumble < StandardError
        attr_reader :column

        def initialize(message, column)
          super(message)
          @column = column
        end
      end
    end
  end
end
