# frozen_string_literal: true

module Stairwell
  module Formats
    module Calendar
      # Holidays out of a calendar file: its all-day events, and those that last a day and
      # longer. What comes back every year is told for the years that follow; what comes
      # back in another way, and what lasts hours, is counted and passed over.
      class Holidays
        # Own choice: the years for which something that comes back every year is told.
        YEARS = 3
        YEARLY = /\AFREQ=YEARLY(;(INTERVAL=1|COUNT=\d+|UNTIL=\w+|BYMONTH=\d+|BYMONTHDAY=\d+))*\z/i

        # @param text [String]
        # @return [Holidays]
        # @raise [UnreadableError]
        def self.read(text)
          text = text.dup.force_encoding(Encoding::UTF_8).scrub
          if text.scan(/^BEGIN:VEVENT/i).size > Constants::MOST_EVENTS
            raise UnreadableError.new(Phrase["formats.calendar.too_large"], code: :too_large)
          end

          calendars = text.match?(/^BEGIN:VCALENDAR/i) ? Icalendar::Calendar.parse(text) : []
          if calendars.empty?
            raise UnreadableError.new(Phrase["formats.calendar.no_calendar"], code: :no_calendar)
          end

          new(calendars.flat_map(&:events))
        rescue ArgumentError, NoMethodError, TypeError, RuntimeError => error
          raise error if error.is_a?(Error)

          raise UnreadableError.new(Phrase["formats.calendar.damaged"], code: :damaged)
        end

        # @param events [Array<Icalendar::Event>]
        def initialize(events)
          @events = events
        end

        # @param from [Date] days before it are left out
        # @return [Array(Array<Holiday>, Integer)] in order, and how many events were passed over
        def since(from)
          found = @events.map { |event| days(event, from) }
          [
            found
              .compact
              .flatten
              .select { |one| one.to >= from }
              .sort_by { |one| [one.from, one.to] }
              .uniq,
            found.count(nil)
          ]
        end

        private

        # @return [Array<Holiday>, nil] nil where it is passed over
        def days(event, from)
          return [] if event.status.to_s.casecmp?("CANCELLED")

          first, last = span(event)
          unless first && last && last >= first && Dates::RANGE.cover?(first) &&
                   Dates::RANGE.cover?(last)
            return
          end
          return if last - first >= Constants::LONGEST_STRETCH

          name = event.summary.to_s.strip[0, 120]
          return [Holiday.new(from: first, to: last, name: name)] if event.rrule.to_a.empty?

          yearly(event, first, last, name, from)
        end

        # Both ends included; an all-day event's end is the day after (RFC 5545, 3.6.1).
        def span(event)
          starts, ends = event.dtstart, event.dtend
          return unless starts

          first = Date.new(starts.year, starts.month, starts.day)
          if starts.is_a?(Icalendar::Values::Date)
            return first, ends ? Date.new(ends.year, ends.month, ends.day) - 1 : first
          end
          return unless ends.respond_to?(:hour) && clock(ends) - clock(starts) >= 1

          [
            first,
            Date.new(ends.year, ends.month, ends.day) -
              ((ends.hour.zero? && ends.minute.zero?) ? 1 : 0)
          ]
        end

        # What the clock on the wall shows.
        def clock(time) = DateTime.new(time.year, time.month, time.day, time.hour, time.min)

        def yearly(event, first, last, name, from)
          rules = event.rrule.to_a
          return unless rules.size == 1 && YEARLY.match?(rules.first.value_ical)

          stops = rules.first.until.to_s[/\A\d{8}/]&.then { |text| Date.strptime(text, "%Y%m%d") }
          count = rules.first.count&.to_i
          (from.year - 1..from.year + YEARS).filter_map do |year|
            by = year - first.year
            if by.negative? || (count && by >= count) ||
                 !Date.valid_date?(year, first.month, first.day)
              next
            end

            day = Date.new(year, first.month, first.day)
            Holiday.new(from: day, to: day + (last - first), name: name) unless stops && day > stops
          end
        end
      end
    end
  end
end
