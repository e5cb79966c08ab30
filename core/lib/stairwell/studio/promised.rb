# frozen_string_literal: true

module Stairwell
  module Studio
    # The dates that a teacher was shown of a piece on a `day`, and what became of the piece:
    # `done_on` where it was passed and is in hand no more.
    #
    # - `stretch`: what the way to the dates had been multiplied with because of the promises before
    Promised =
      Stairwell.value(
        :assignment_id,
        :day,
        :likely,
        :cautious,
        stretch: 1.0,
        ended: false,
        done_on: nil
      ) do
        # @param all [Array<Promised>] of a student
        # @param record [Record]
        # @return [Planning::Promises] those whose outcome is known
        def self.outcomes(all, record)
          known = all.filter_map { |promised| promised.held(record) }
          logs = all.filter_map { |promised| promised.log(record) }
          Planning::Promises.new(
            known: known.size,
            held: known.count(:yes),
            due: logs.size,
            logs: logs.sum(0.0).round(4)
          )
        end

        # @param record [Record]
        # @return [Symbol, nil] :yes or :no; nil as long as it is open, and for a piece that was
        #   given up
        def held(record)
          done = done(record)
          return (done <= cautious) ? :yes : :no if done
          return if ended

          :no if record.today > cautious
        end

        # @param record [Record]
        # @return [Float, nil] logarithm of the days it really took beside those foretold; what is
        #   overdue and still open took as long as it is old. Nil before the likely date, and for a
        #   piece that was given up
        def log(record)
          return if likely > record.today || likely <= day

          done = done(record)
          return if ended && done.nil?

          Math.log([(done || record.today) - day, 1].max * stretch / (likely - day).to_f)
        end

        private

        def done(record)
          return done_on if ended

          record.pieces.find { |piece| piece.id == assignment_id }&.progress&.done_on
        end
      end
  end
end
