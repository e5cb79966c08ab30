# frozen_string_literal: true

require "date"

module Stairwell
  # Dates from outside.
  module Dates
    # Own choice: nobody plans or looks back further, and a calendar stays short.
    RANGE = Constants::FIRST_DATE..Constants::LAST_DATE

    module_function

    # @param text [String] such as "2027-03-10" (ISO 8601)
    # @return [Date]
    # @raise [Date::Error] for a date that does not exist, or lies outside {RANGE}
    def read(text)
      date = Date.strptime(text.to_s[0, 11], "%Y-%m-%d")
      unless RANGE.cover?(date)
        raise Date::Error, "#{date} is not between #{RANGE.begin} and #{RANGE.end}"
      end

      date
    end
  end
end
