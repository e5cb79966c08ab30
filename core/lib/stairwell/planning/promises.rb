# frozen_string_literal: true

module Stairwell
  module Planning
    # How dates that were promised came out: of so many cautious ones whose outcome is `known` so
    # many `held`; of likely ones how many came `due`, and what the logarithms of the days it
    # really took beside those foretold add up to.
    Promises =
      Stairwell.value(known: 0, held: 0, due: 0, logs: 0.0) do
        # @param other [Promises]
        # @return [Promises] of both
        def +(other)
          sums = to_h.merge(other.to_h) { |_, mine, others| mine + others }
          with(**sums)
        end

        # What the way from today to a date is multiplied with, so that the next ones come out as
        # they say. Drawn toward 1, the more the fewer came due.
        # @return [Float]
        def stretch = Math.exp(logs / (due + Constants::DATES_ASSUMED))
      end

    # @param data [Hash{String => Object}] of {Promises#to_h}, or nothing
    # @return [Promises]
    def Promises.load(data) =
      new(**%w[known held due].to_h { |name| [name.to_sym, data.fetch(name, 0)] }).with(
        logs: data.fetch("logs", 0).to_f
      )
  end
end
