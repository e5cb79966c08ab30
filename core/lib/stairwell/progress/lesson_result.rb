# frozen_string_literal: true

module Stairwell
  module Progress
    # What was heard at a lesson: :not_heard, :not_yet, :shaky, :steady or
    # :secure. The last one said for a step on a day holds. `tempo` is that at which it was played,
    # nil where nobody said.
    # `contained` where it comes from a step that contains this one, see {Closure}.
    LessonResult =
      Stairwell.value(:step_id, :date, :result, :at, key: nil, tempo: nil, contained: false) do
        # @return [Rational, nil] the tempo of an easier form at the most: that at which it went, or
        #   a little less than that at which it did not
        def most_tempo = tempo && (tempo * ((result == :not_yet) ? Constants::EASIER_TEMPO : 1r))
      end
  end
end
