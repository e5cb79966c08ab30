# frozen_string_literal: true

module Stairwell
  module Studio
    # When a piece will be ready: with every day kept, likely (in half of the futures), and with
    # caution; whether that is late. `stretch` is what the way to these dates was multiplied with
    # because of those that were promised before.
    Outlook =
      Stairwell.value(:planned, :likely, :cautious, due_on: nil, stretch: 1.0, today: nil) do
        # @return [Boolean]
        def late? = !due_on.nil? && (cautious.nil? || cautious > due_on)

        # @return [Boolean] whether it likely takes more than a year at this pace; no date is said
        #   then
        def over_a_year? = far?(likely)

        # What is told of it: a date more than a year away isn't one.
        # @return [Hash{Symbol => Object}] :planned, :likely and :cautious as dates in text or nil,
        #   :over_a_year
        def said =
          %i[planned likely cautious]
            .to_h { |name| [name, date(name)&.to_s] }
            .merge(over_a_year: over_a_year?)

        # @param name [Symbol] :planned, :likely or :cautious
        # @return [Date, nil] nil where it is so far off that it isn't said
        def date(name) = ((date = public_send(name)) && !far?(date)) ? date : nil

        private

        def far?(date) = !date.nil? && !today.nil? && date > today + Constants::DATES_SAID
      end
  end
end
