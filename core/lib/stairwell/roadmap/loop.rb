# frozen_string_literal: true

module Stairwell
  module Roadmap
    # A repeat as it will be played: where it starts and ends, how often, its
    # endings, and `last`, the last bar that belongs to it with its last ending; `again` whether it
    # is taken in full after a jump too; `jump` is :da_capo or :dal_segno where it goes back by
    # that, not by a sign.
    Loop =
      Stairwell.value(:from, :to, :times, :endings, :last, again: false, jump: nil) do
        # The endings that close the repeat, one after another: those that reach
        # its last bar or stand right behind it. An ending further inside is
        # merely skipped on other passes.
        # @return [Array<Score::Ending>]
        def closing
          endings.slice_when { |a, b| a.to + 1 != b.from }.find { |chain| chain.last.to >= to } ||
            []
        end

        # @param pass [Integer]
        # @return [Integer, nil] the bar after which this pass goes back; nil on
        #   the last pass
        def back_after(pass)
          return if pass >= times
          return to if closing.empty?

          closing.find { |ending| ending.passes.include?(pass) }&.to || (closing.first.from - 1)
        end

        def hold?(other) = from <= other.from && other.last <= last
      end
  end
end
