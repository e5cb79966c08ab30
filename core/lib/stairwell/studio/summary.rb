# frozen_string_literal: true

module Stairwell
  module Studio
    # A student at a glance, for the studio's page.
    #
    # - `pieces`: {PieceInHand}; `practised`: {Practised}
    # - `last_result`: [PieceInHand, Practice::Step, Progress::LessonResult], nil
    #   where nothing was heard yet
    # - `outlooks`: {assignment => Outlook}; `concerns`: {Progress::Concern}
    # - `seen`: Planning::Habit::Seen; `promises`: Planning::Promises
    Summary =
      Stairwell.value(:pieces, :practised, :last_result, :concerns, :outlooks, :seen, :promises)

    # @param record [Record]
    # @param promised [Array<Promised>]
    # @return [Summary]
    def Summary.of(record, promised = [])
      looking = Outlooks.new(record)
      outlooks = Outlooks.settled(record)
      new(
        pieces: record.pieces,
        practised: Practised.new(record.week, record.pieces),
        last_result: last_result(record),
        outlooks: outlooks,
        concerns: Concerns.of(record, outlooks),
        seen: looking.seen,
        promises: Promised.outcomes(promised, record)
      )
    end

    def Summary.last_result(record)
      piece, result =
        record
          .pieces
          .filter_map { |one| (found = one.progress.last_result) && [one, found] }
          .max_by { |_, found| [found.date, found.at] }
      step = piece && piece.progress.steps.find { |one| one.id == result.step_id }
      step && [piece, step, result]
    end
    Summary.singleton_class.send(:private, :last_result)
  end
end
