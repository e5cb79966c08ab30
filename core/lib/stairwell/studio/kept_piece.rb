# frozen_string_literal: true

module Stairwell
  module Studio
    # A piece that was passed and is kept ready for a date.
    KeptPiece = Stairwell.value(:id, :title, :keep_for, :steps)
  end
end
