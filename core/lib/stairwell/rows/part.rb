# frozen_string_literal: true

module Stairwell
  module Rows
    # One thing of a row on one day, played so many `times`: a step of a piece, or what a line says
    # (a warm-up, an old piece).
    #
    # - `piece`: {Piece}, nil where it is of none; `step`: {Practice::Step}, nil where it is none
    # - `id`, `title`: of the line where there is no step; of steps that are played in one go the
    #   title of all together
    # - `each`: minutes of one time, exact; `ready`: minutes to get ready, once
    # - `steady`: whether it has all its good days already, so that it's only kept up
    # - `fewest`: times with which it is still a good day
    # - `pinned`: whether the teacher put it there, so that it stays as it is; `breaks` says what
    #   that breaks
    Part =
      Stairwell.value(
        :times,
        :each,
        id: nil,
        piece: nil,
        step: nil,
        title: nil,
        ready: 0r,
        steady: false,
        fewest: 1,
        pinned: false,
        breaks: nil
      ) do
        # @return [String] what items of a week and changes by hand name it by
        def key = piece ? "#{piece.id}/#{id}" : id

        # @return [Rational] minutes, exact
        def minutes = ready + (times * each)

        # @return [Part] three times instead of five, and the like
        def fewer =
          pinned ? self : with(times: times.clamp(1, [Constants::FEWER_TIMES, fewest].max))

        # @return [Part] as few times as still make a good day
        def least = pinned ? self : with(times: [fewest, times].min)

        # @return [Boolean] whether it's one of several that are played in one go, under one title
        def in_a_run? = !step.nil? && !title.nil?
      end
  end
end
