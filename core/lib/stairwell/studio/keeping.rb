# frozen_string_literal: true

module Stairwell
  module Studio
    # How long what is kept of a student who has left is kept: as many months as the studio says,
    # longer where somebody wanted it longer, and never without having told of the end a while
    # before.
    #
    #   Keeping.new(left_on: Date.new(2027, 1, 31), months: 1).ends_on # => 28 February 2027
    #
    # @!attribute left_on [Date, nil] nil for one who is here
    # @!attribute months [Integer, nil] the studio's; nil where nothing is erased by itself
    # @!attribute longer_until [Date, nil]
    # @!attribute told_on [Date, nil] when the studio was told of the end
    Keeping =
      Stairwell.value(:left_on, :months, longer_until: nil, told_on: nil) do
        # @return [Date, nil] the day of the month on which they left, or the last where it has
        #   none; nil where there is no end
        def ends_on
          return unless left_on && months

          [left_on >> months, longer_until].compact.max
        end

        # @return [Date, nil] from when on the studio is told of it
        def tell_on = ends_on && ends_on - Constants::NOTICE_OF_ERASING

        # @return [Date, nil] when it is erased: not sooner than a while after it was told; nil
        #   until then
        def erase_on = ends_on && told_on && [ends_on, told_on + Constants::NOTICE_OF_ERASING].max

        # @return [Date, nil] when there is something to be done next
        def next_on = erase_on || tell_on

        # @param today [Date]
        # @return [:tell, :erase, nil] what is to be done
        def due(today)
          return if next_on.nil? || today < next_on

          told_on ? :erase : :tell
        end
      end
  end
end
