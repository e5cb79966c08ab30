# frozen_string_literal: true

module Stairwell
  module Practice
    # One warm-up: what to play, its notes from the bottom up, and the fingers of
    # each hand on them.
    Exercise = Stairwell.value(:key, :title, :notes, :fingers, :minutes)
  end
end
