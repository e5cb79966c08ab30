# frozen_string_literal: true

require_relative "sections/kinship"
require_relative "sections/new_share"
require_relative "sections/form"
require_relative "sections/check"

module Stairwell
  # What there is to learn: which bars are known from an earlier bar, how much
  # of the piece is new, in what order its sections come, and where they join.
  module Sections
    # @param map [Score::Map]
    # @param reading [Roadmap::Reading]
    # @return [Form]
    def self.form(map, reading = Roadmap.read(map)) = Form.new(map, reading)

    # @param map [Score::Map]
    # @return [NewShare]
    def self.new_share(map) = NewShare.new(map)
  end
end
