# frozen_string_literal: true

module Stairwell
  module Studio
    # When a piece will be ready: with every day kept, likely (in half of the futures), and with
    # caution; whether that is late.
    #
    # - `done`: whether all of it is steady already
    # - `stretch`: what the way to these dates was multiplied with because of earlier promises
    Outlook =
      Stairwell.value(
        :planned,
        :likely,
        :cautious,
        due_on: nil,
        stretch: 1.0,
        today: nil,
        done: false
      ) do
        # @return [Boolean]
        def late? = !done && !due_on.nil? && (cautious.nil? || cautious > due_on)

        # @return [Symbol] :done, :never where some step fits into no day, :distant where it likely
        #   takes more than a year at this pace, else :dated
        def state
          return :done if done
          return :never if likely.nil?

          far?(likely) ? :distant : :dated
        end

        # What is shown of it: only days within a year are shown as dates.
        # @return [Hash{Symbol => String, nil}]
        def to_display =
          {
            state: state.to_s,
            **%i[planned likely cautious].to_h { |name| [name, date(name)&.to_s] }
          }

        # @param name [Symbol] :planned, :likely or :cautious
        # @return [Date, nil] nil where it is so far off that it isn't shown
        def date(name)
          date = public_send(name)
          date unless done || far?(date)
        end

        private

        def far?(date) = !date.nil? && !today.nil? && date > today + Constants::DATES_SAID
      end
  end
end
