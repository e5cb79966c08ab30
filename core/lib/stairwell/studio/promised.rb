# frozen_string_literal: true

module Stairwell
  module Studio
    # A cautious date that was promised of a piece, and what became of the piece: `done_on`
    # where it was passed and is in hand no more.
    Promised =
      Stairwell.value(:assignment_id, :cautious, ended: false, done_on: nil) do
        # @param all [Array<Promised>] of a student
        # @param record [Record]
        # @return [Planning::Promises] those whose outcome is known
        def self.outcomes(all, record)
          known = all.filter_map { |one| one.held(record) }
          Planning::Promises.new(known: known.size, held: known.count(:yes))
        end

        # @param record [Record]
        # @return [Symbol, nil] :yes or :no; nil as long as it is open, and for a piece that was
        #   given up
        def held(record)
          done =
            (
              if ended
                done_on
              else
                record.pieces.find { |one| one.id == assignment_id }&.progress&.done_on
              end
            )
          return (done <= cautious) ? :yes : :no if done
          return if ended

          :no if record.today > cautious
        end
      end
  end
end
