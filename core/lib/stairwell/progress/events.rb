# frozen_string_literal: true

module Stairwell
  module Progress
    RESULTS = %i[not_heard not_yet shaky steady secure].freeze

    # @param marks [Array<Mark>]
    # @return [Array<Mark>] those that were not taken back; the same key counts
    #   once, and an undo that arrives before its mark still takes it back
    def self.lasting(marks)
      undone = marks.filter_map { |mark| mark.undoes if mark.kind == :undo }.to_set
      marks.reject { |mark| mark.kind == :undo || undone.include?(mark.key) }.uniq(&:key)
    end
  end
end
