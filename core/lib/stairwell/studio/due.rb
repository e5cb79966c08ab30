# frozen_string_literal: true

module Stairwell
  module Studio
    # Something due at an hour: the last day whose practice counts for it.
    module Due
      # @param day [Date]
      # @param time [String] such as "19:30"
      # @return [Date] the day itself in the evening, else the day before
      def self.last_day(day, time) = (time >= Constants::PRACTISED_BY) ? day : day - 1
    end
  end
end
