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
      def today(zone) = self.class.date(now, zone)

      # @param time [Time]
      # @param zone [String]
      # @return [Date] of that time in that time zone
      def self.date(time, zone) =
        (time.getutc + TZInfo::Timezone.get(zone).period_for(time).observed_utc_offset).to_date
    end
  end
end
