# frozen_string_literal: true

module Stairwell
  module Roadmap
    # "Where next?" at one sign: `at` is the place among the visits, `bar` where
    # one stands; `choices` the bars one may think of (nil is the end of the
    # piece); `right` the one it is; `why` says so, and `wrong` says for each
    # other choice why it is not.
    Question = Stairwell.value(:at, :bar, :choices, :right, :why, :wrong)
  end
end
