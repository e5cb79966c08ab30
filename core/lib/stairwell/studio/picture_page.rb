# frozen_string_literal: true

module Stairwell
  module Studio
    # A printed page (`page` nil where the layout is assumed) with its lines.
    PicturePage = Stairwell.value(:page, :lines)
  end
end
