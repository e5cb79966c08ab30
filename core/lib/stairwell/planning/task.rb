# frozen_string_literal: true

module Stairwell
  module Planning
    # A step as the planner sees it: what it costs a day, how many good days it
    # still takes, and what it waits for. `needs` must have all their good days
    # on earlier days, and where one of them or of theirs has `fallen` behind that, too; `after` may stand earlier the same day. One that is not
    # `introduced` stands nowhere, until the lesson of that number (1 is the next one) has
    # shown it; a higher `priority` comes first, `because` of what is said there. `kind` of
    # step (:alone, :together, :join, :whole) is what estimates may be wrong by. Of an equal
    # priority the lower `turn` begins first, once what was begun goes on; where it is nil,
    # whatever makes the whole ready soonest goes first. A day holds `most` repetitions of it at
    # the most, the needed ones counted. `group` is the same for all steps of a piece,
    # `section` for those of a section; a join is of the later one.
    Task = Stairwell.value(
      :id, :minutes, :good_days,
      title: nil, repetitions: Constants::REPETITIONS, credited: 0, begun: false, fallen: false, hard: false, join: false, introduced: true, lesson: 1, kind: nil, turn: nil, group: nil, section: nil,
      priority: 0, because: nil, most: Constants::MOST_REPETITIONS, needs: [], after: []
    ) do
      # @return [Integer] good days still needed, never below 0
      def remaining = [good_days - credited, 0].max

      def begun? = begun || credited.positive?

      def name = title || id
    end
  end
end
