# frozen_string_literal: true

module Stairwell
  module Formats
    module PageScript
      # `map` is nil when the script does not even say how many bars there are.
      Result = Stairwell.value(:map, :problems)
    end
  end
end
