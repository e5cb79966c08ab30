# frozen_string_literal: true

module Stairwell
  module Planning
    # What begins every day.
    WarmUp = Stairwell.value(:id, :minutes, title: nil)
  end
end
