# frozen_string_literal: true

module Stairwell
  module Score
    # A stretch of printed bars by index, both ends included. It may begin and
    # end inside a bar, at a beat (the last beat included); nil is the bar's edge.
    Span =
      Stairwell.value(:from, :to, from_beat: nil, to_beat: nil) do
        # @return [Array<Integer>] the bar indexes
        def bars = (from..to).to_a

        def size = to - from + 1

        def cover?(index) = index.between?(from, to)

        # @return [Boolean] whether the two share a beat
        def overlap?(other) = before?(other) && other.before?(self)

        # @return [Boolean] whether this one begins before the other ends
        def before?(other)
          return from < other.to unless from == other.to

          from_beat.nil? || other.to_beat.nil? || from_beat <= other.to_beat
        end

        # @return [Boolean] whether the other lies wholly inside
        def hold?(other) = from <= other.from && other.to <= to
      end
  end
end
