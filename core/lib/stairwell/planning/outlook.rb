# frozen_string_literal: true

module Stairwell
  module Planning
    # When a piece will be ready, as the student really practises: the middle
    # date, the cautious one (it holds in 85 of 100 futures), and the date when
    # every day is kept.
    Outlook = Stairwell.value(:planned, :middle, :cautious, :futures)
  end
end
