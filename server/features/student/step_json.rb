# frozen_string_literal: true

module Stairwell
  module Server
    module Features
      # A step of a student's piece, with how it stands.
      module StepJson
        module_function

        # @param one [Progress::Standing]
        # @param progress [Progress::Piece] it is of
        # @return [Hash] see the contract's Step
        def of(one, progress)
          step = one.step
          step
            .to_h
            .slice(:id, :title, :place, :section, :tempo, :repetitions, :arithmetic)
            .merge(
              stage: step.stage.to_s,
              stage_name: Practice.stage_name(step),
              state: one.state.to_s,
              credited: one.credited,
              good_days: one.good_days,
              minutes: step.minutes.to_f,
              done_when: step.done,
              introduced: one.introduced,
              simplification: simplification(step, progress),
              last_result:
                one.last_result &&
                  { result: one.last_result.result.to_s, day: one.last_result.date.to_s }
            )
        end

        # @return [Hash, nil] how a step that did not go can be made smaller, and the form
        #   that was chosen
        def simplification(step, progress)
          return unless progress.troubled.any? { |one| one.id == step.id }

          chosen = progress.simplified(step)
          {
            chosen: chosen&.form&.to_s,
            bar: chosen&.bar,
            forms:
              Practice::Simplification
                .forms(step, most: progress.most_tempo(step))
                .map { |one| { form: one.form.to_s, bar: one.bar, words: one.words } }
          }
        end
        private_class_method :simplification
      end
    end
  end
end
