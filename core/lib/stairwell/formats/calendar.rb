# frozen_string_literal: true

require "icalendar"
require "icalendar/tzinfo"
require_relative "calendar/event"
require_relative "calendar/holiday"
require_relative "calendar/holidays"

module Stairwell
  module Formats
    # Calendar files: iCalendar, RFC 5545.
    module Calendar
      PRODUCT = "-//Stairwell//Lessons//EN"

      module_function

      # @param events [Array<Event>]
      # @param name [String] of the calendar
      # @param zone [String] IANA name of the time zone the lessons are in
      # @return [String]
      def write(events, name:, zone:)
        calendar = Icalendar::Calendar.new
        calendar.prodid = PRODUCT
        calendar.publish
        calendar.append_custom_property("X-WR-CALNAME", name)
        calendar.append_custom_property("X-WR-TIMEZONE", zone)
        calendar.refresh_interval = Icalendar::Values::Duration.new("PT1H")
        # The zone is told with its changes, so that a lesson stays at its hour over them.
        starts = events.map(&:starts).min
        calendar.add_timezone(TZInfo::Timezone.get(zone).ical_timezone(starts)) if starts
        events.each { |event| calendar.add_event(entry(event, zone)) }
        calendar.to_ical
      end

      # @param text [String] of a file from elsewhere
      # @return [Holidays]
      # @raise [UnreadableError]
      def holidays(text) = Holidays.read(text)

      def entry(event, zone)
        Icalendar::Event.new.tap do |made|
          made.uid = event.uid
          made.dtstamp = Icalendar::Values::DateTime.new(event.stamp.getutc, "tzid" => "UTC")
          made.dtstart = Icalendar::Values::DateTime.new(event.starts, "tzid" => zone)
          made.dtend = Icalendar::Values::DateTime.new(event.ends, "tzid" => zone)
          made.sequence = event.sequence
          made.status = event.cancelled ? "CANCELLED" : "CONFIRMED"
          made.summary = literal(event.summary)
          made.description = literal(event.description) if event.description
          made.transp = "TRANSPARENT" if event.cancelled
        end
      end

      # The library takes what is written into it for escaped text already.
      def literal(text) = Icalendar::Values::Text.new("").tap { |value| value.__setobj__(text) }
      private_class_method :entry, :literal
    end
  end
end
