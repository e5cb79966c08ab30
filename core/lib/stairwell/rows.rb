# frozen_string_literal: true

require_relative "rows/part"
require_relative "rows/row"
require_relative "rows/ahead"
require_relative "rows/deadline"
require_relative "rows/places"
require_relative "rows/piece"
require_relative "rows/limits"
require_relative "rows/beside"
require_relative "rows/beside_rows"
require_relative "rows/day"
require_relative "rows/work"
require_relative "rows/hard_place"
require_relative "rows/new_sections"
require_relative "rows/growing"
require_relative "rows/whole"
require_relative "rows/keep_fresh"
require_relative "rows/by_hand"
require_relative "rows/titles"
require_relative "rows/candidates"
require_relative "rows/day_fit"
require_relative "rows/week"
require_relative "rows/horizon"

module Stairwell
  # A week as a teacher writes it: a few rows that stay all week, each with a path of stages and a
  # cell for each practice day. The rows are chosen first; then their paths are laid over the days.
  module Rows
    # The kinds of rows, in the order in which they come within a day.
    KINDS = %i[
      warm_up
      hard_place
      new
      grow
      whole
      keep_fresh
      sight_reading
      repertoire
      other_work
    ].freeze
  end
end
