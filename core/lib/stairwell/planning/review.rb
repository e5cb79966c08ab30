# frozen_string_literal: true

module Stairwell
  module Planning
    # Something learnt that comes back once, from its due date on.
    Review =
      Stairwell.value(:id, :due, :minutes, title: nil, repetitions: 1) { def name = title || id }
  end
end
