# frozen_string_literal: true

module Stairwell
  module Studio
    # A printed line: index of its first bar (nil where it has none), and for each
    # bar whether it is the step's.
    PictureLine = Stairwell.value(:line, :from, :bars)
  end
end
