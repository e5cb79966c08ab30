# frozen_string_literal: true

module Stairwell
  module Studio
    # When a piece will be ready: with every day kept, in the middle of the futures,
    # with caution; whether that is late.
    Outlook =
      Stairwell.value(:planned, :middle, :cautious, due_on: nil) do
        # @return [Boolean]
        def late? = !due_on.nil? && (cautious.nil? || cautious > due_on)
      end
  end
end
