# frozen_string_literal: true

module Stairwell
  module Practice
    # Smaller, not longer: the easier form of a step that did not go. It is done
    # first; when it is steady the step resumes.
    module Smaller
      # How much slower the easier form is, where it has a pulse. Own choice:
      # about two rungs of the metronome scale.
      SLOWER = 85/100r
      MARK = "~smaller"

      module_function

      # @param step [Step]
      # @return [Step] the same at a lower rung; half as often where there is no
      #   pulse to slow down
      def of(step)
        tempo = step.tempo && Metronome.at_most(step.tempo * SLOWER)
        repetitions = tempo ? step.repetitions : [(step.repetitions/2r).ceil, 1].max
        minutes = tempo ? Estimate.minutes(counts: step.counts, tempo: tempo, repetitions: repetitions) : step.minutes * repetitions / step.repetitions
        step.with(
          id: step.id + MARK, title: "#{step.title}, #{tempo ? "slower" : "smaller"} first", tempo: tempo, repetitions: repetitions, minutes: (minutes * 2).ceil/2r,
          good_days: 1, done: "it is easy; then the step goes on", arithmetic: "smaller, not longer: #{tempo ? "at #{tempo}" : "#{repetitions} times"}; 1 good day"
        )
      end

      # @param step [Step]
      # @return [Step] that waits for its easier form
      def resumed(step) = step.with(needs: step.needs | [step.id + MARK])
    end
  end
end
