# frozen_string_literal: true

module Stairwell
  module Studio
    # When a piece will be ready: with every day kept, in the middle of the futures,
    # with caution; whether that is late. `stretch` is what the way to these dates was multiplied
    # with because of those that were promised before.
    Outlook =
      Stairwell.value(:planned, :middle, :cautious, due_on: nil, stretch: 1.0) do
        # @return [Boolean]
        def late? = !due_on.nil? && (cautious.nil? || cautious > due_on)
      end
  end
end
