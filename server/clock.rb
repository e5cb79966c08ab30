# frozen_string_literal: true

require "tzinfo"

module Stairwell
  module Server
    # Says what time it is, for the studio.
    class Clock
      # @param fixed [Time, nil] a time that stands still
      def initialize(fixed = nil)
        @fixed = fixed
      end

      # @return [Time] UTC
      def now = (@fixed || Time.now).getutc

      # @param zone [String] such as "Europe/Lisbon"
      # @return [Date] today in that time zone
      def today(zone) = TZInfo::Timezone.get(zone).utc_to_local(now).to_date
    end
  end
end
