# frozen_string_literal: true

module Stairwell
  module Roadmap
    # A jump as it will be taken: after which bar, to which bar, how it is said,
    # and what then ends the music: `stop` after a Fine, or `leave` after a To
    # Coda for `coda`. Empty lists where it runs until the end.
    Leap = Stairwell.value(:after, :to, :via, repeats: false, stop: [], leave: {})
  end
end
