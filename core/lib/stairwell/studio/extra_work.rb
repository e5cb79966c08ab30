# frozen_string_literal: true

module Stairwell
  module Studio
    # Extra work beside the pieces: an exercise begins every day, the rest comes so
    # many `times` a week; `one_of` lets the student choose; `key`
    # comes from whoever adds it. An exercise may be in `keys`, the next one each week or as many
    # semitones `higher`, with `hands` one after another (see {Practice::Chain}); `since` the day it
    # was given.
    ExtraWork =
      Stairwell.value(
        :id,
        :kind,
        :title,
        :minutes,
        :times,
        one_of: [],
        key: nil,
        keys: [],
        hands: [],
        higher: nil,
        since: nil
      ) do
        # @return [Boolean]
        def exercise? = kind == "exercise"

        # @return [String] what it is called in a week
        def item_id = "work #{id}"

        # @param week [Integer] since it was given, from 0
        # @return [Practice::Exercise] with its notes, where it has a key
        def exercise(week)
          now =
            Practice::Chain.key(keys.map { |name| Score::Key.parse(name) }, week, higher: higher)
          Practice::Exercise.new(
            key: item_id,
            title: Practice::Chain.title(title, key: now, hands: hands.map(&:to_sym)),
            notes: now ? Practice::Chain.notes(title, now) : [],
            fingers: {
              right: [],
              left: []
            },
            minutes: minutes
          )
        end
      end
  end
end
