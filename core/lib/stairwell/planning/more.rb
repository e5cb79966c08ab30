# frozen_string_literal: true

module Stairwell
  module Planning
    # What a day that has minutes left may be filled with beyond what is needed.
    #
    # - `id`: its own; that of a step with {MARK} behind it where it is one of a step
    # - `kind`: one of {Constants::WORTH}
    # - `each`: minutes of one repetition, and `ready` to get ready for it, both exact; a day takes
    #   `repetitions` of it at the most
    # - `covered_by`: ids of what holds all of it, its own step first; it does not share a day
    #   with these
    # - `last`: Date, when it was played last
    # - `times`: days of a week on which it is added at the most, nil for any number
    More =
      Stairwell.value(
        :id,
        :kind,
        :each,
        :repetitions,
        :title,
        :why,
        covered_by: [],
        last: nil,
        times: nil,
        ready: 0r
      ) do
        # @param count [Integer] repetitions
        # @return [Rational] exact
        def minutes(count = repetitions) = ready + (each * count)

        # @return [More] with as few repetitions as are still worth it where the day is short
        def least = with(repetitions: (repetitions * Constants::FEWEST).ceil)

        # @param room [Rational] minutes
        # @return [Integer, nil] repetitions for which there is room, where these are worth it
        def fitting(room)
          repetitions
            .downto(1)
            .find do |count|
              minutes(count) <= room &&
                (count == repetitions || minutes(count) >= Constants::LEAST_MORE)
            end
        end

        # @param id [String] of an item of the same day
        # @return [Boolean]
        def played_in?(id) = id == self.id || covered_by.include?(More.of(id))

        # @param count [Integer] repetitions
        # @return [Item]
        def item(count, **said) =
          Item.new(
            id: id,
            kind: :more,
            minutes: minutes(count),
            repetitions: count,
            title: title,
            why: why,
            **said
          )
      end

    # Behind the id of a step: what is added of it counts to nothing that is needed.
    More::MARK = "~more"

    # @param id [String] of an item
    # @return [String] of the step it is of
    def More.of(id) = id.delete_suffix(More::MARK)
  end
end
