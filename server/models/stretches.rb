# frozen_string_literal: true

module Stairwell
  module Server
    module Models
      # Stretches of dates, both ends included: absences and holidays.
      module Stretches
        # Days a stretch may last. Own choice: a year and some.
        LONGEST = 400

        module_function

        # @param stored [Array<Hash>] {"from" => "2027-04-01", "to" => "2027-04-07"}
        # @return [Array<Date>]
        def days(stored)
          stored.to_a.flat_map do |one|
            from, to = [one["from"], one["to"]].map { |text| Date.iso8601(text) }
            (from..[to, from + LONGEST].min).to_a
          end
        end

        # @param sent [Array<Hash>] {from:, to:}
        # @return [Array<Hash>] the same
        # @raise [Problem] 422 for dates that do not exist or run backwards
        def checked(sent, field:)
          wrong = sent.find { |one| Date.iso8601(one[:from]) > Date.iso8601(one[:to]) }
          raise Problem.new(422, "The days from #{wrong[:from]} to #{wrong[:to]} end before they begin. Turn the two dates round.", code: "absence", field: field) if wrong

          sent
        rescue Date::Error
          raise Problem.new(422, "One of the dates does not exist. Correct it.", code: "absence", field: field)
        end
      end
    end
  end
end
