# frozen_string_literal: true

module Stairwell
  module Planning
    # How often cautious dates have held: of so many whose outcome is known, so many.
    Promises =
      Stairwell.value(known: 0, held: 0) do
        # @param other [Promises]
        # @return [Promises] of both
        def +(other) = with(known: known + other.known, held: held + other.held)

        # What the way from the middle date to the cautious one is multiplied with, so that the
        # next ones hold as often as they say. Drawn toward 1, the more the fewer are known.
        # @return [Float]
        def wider
          share =
            (held + Constants::CAUTIOUS_SHARE * Constants::DATES_ASSUMED) /
              (known + Constants::DATES_ASSUMED)
          Math.exp((Constants::CAUTIOUS_SHARE - share) * Constants::WIDER_BY).clamp(
            *Constants::WIDER_BOUNDS.minmax
          )
        end
      end

    # @param data [Hash{String => Object}] of {Promises#to_h}, or nothing
    # @return [Promises]
    def Promises.load(data) =
      new(**%w[known held].to_h { |name| [name.to_sym, data.fetch(name, 0)] })
  end
end
