# frozen_string_literal: true

module Stairwell
  module Planning
    # Days without lessons, as stretches of dates with both ends included: a student's
    # absences, a studio's holidays. In `stretches` there is no practice either; in
    # `practising` it goes on, as in a summer without lessons.
    #
    # @example
    #   away = Away.load([{"from" => "2027-04-01", "to" => "2027-04-07"}])
    #   away.include?(Date.new(2027, 4, 7)) # => true
    Away =
      Stairwell.value(:stretches, practising: []) do
        # @return [Boolean] whether there is no practice
        def include?(date) = stretches.any? { |stretch| stretch.cover?(date) }

        # @return [Boolean] whether there is no lesson
        def lessonless?(date) = include?(date) || practising.any? { |stretch| stretch.cover?(date) }

        # @param other [Away]
        # @return [Away] the days of both
        def |(other) =
          Away.new(
            stretches: stretches | other.stretches,
            practising: practising | other.practising
          )

        # @return [Array<Hash{String => Object}>] JSON-ready
        def dump =
          stretches.map { |stretch| span(stretch) } +
            practising.map { |stretch| span(stretch).merge("practice" => true) }

        private

        def span(stretch) = { "from" => stretch.begin.to_s, "to" => stretch.end.to_s }
      end

    # @param data [Array<Hash{String => Object}>] as {Away#dump} gives
    # @return [Away]
    def Away.load(data)
      of(data) do |one|
        one.values_at("from", "to").map { |text| Date.iso8601(text) }.then { |from, to| from..to }
      end
    end

    def Away.of(data)
      practising, stretches =
        data.map { |one| one.transform_keys(&:to_s) }.partition { |one| one["practice"] }
      new(
        stretches: stretches.map { |one| yield one },
        practising: practising.map { |one| yield one }
      )
    end

    # The same as a person asks for it.
    # @raise [RefusedError] for a date that does not exist, a stretch that ends before it
    #   begins or is very long, or too many of them
    def Away.read(data, field:)
      if data.size > Constants::MOST_STRETCHES
        raise RefusedError.new(
                Phrase["planning.away.too_many", most: Constants::MOST_STRETCHES],
                code: :absence,
                field: field
              )
      end

      of(data) { |one| stretch(one, field) }
    end

    def Away.stretch(one, field)
      from, to = [one["from"], one["to"]].map { |text| Dates.read(text) }
      if from > to
        raise RefusedError.new(
                Phrase["planning.away.the_days_from_to_end_before", from: from, to: to],
                code: :absence,
                field: field
              )
      end
      if to - from >= Constants::LONGEST_STRETCH
        raise RefusedError.new(
                Phrase[
                  "planning.away.too_long",
                  from: from,
                  to: to,
                  most: Constants::LONGEST_STRETCH
                ],
                code: :absence,
                field: field
              )
      end

      from..to
    rescue Date::Error
      raise RefusedError.new(
              Phrase["planning.away.one_of_the_dates_does_not"],
              code: :absence,
              field: field
            )
    end
    Away.private_class_method :stretch, :of
  end
end
