# frozen_string_literal: true

module Stairwell
  module Server
    module Features
      # A student at a glance.
      module SummaryJson
        module_function

        # @param summary [Studio::Summary]
        # @return [Hash]
        def of(summary)
          {
            pieces: summary.pieces.map { |one| piece(one) },
            practised: {
              done: summary.practised.done,
              of: summary.practised.of
            },
            last_result: last_result(summary.last_result),
            concerns: ConcernsJson.of(summary.concerns),
            outlooks: LessonJson.outlooks(summary.pieces, summary.outlooks),
            seen: summary.seen.dump,
            promises: summary.promises.to_h
          }
        end

        def piece(one)
          {
            id: one.id,
            title: one.title,
            percent: one.percent,
            states: one.progress.standings.values.map { |standing| standing.state.to_s },
            climb: StairsJson.small(one)
          }
        end

        def last_result(found)
          piece, step, result = found
          step &&
            {
              title: step.title,
              piece: piece.title,
              result: result.result.to_s,
              day: result.date.to_s
            }
        end
        private_class_method :piece, :last_result
      end
    end
  end
end
