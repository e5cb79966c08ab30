# frozen_string_literal: true

module Stairwell
  module Practice
    # Says a routine as a path one can read: what each of its stages is, and what it waits for.
    class StageWords
      # @param routine [Routine]
      def initialize(routine)
        @routine = routine
      end

      # @param stage [Stage]
      # @return [Phrase]
      def of(stage)
        said = [*where(stage), *how(stage), *only(stage), *waits(stage)]
        Phrase.list(said, by: :semicolon)
      end

      private

      def where(stage)
        what =
          (
            if stage.hand_actions.values.all?(:silent) && stage.actions[:voice].nil?
              []
            else
              [Practice.how(stage)]
            end
          )
        on = [Phrase["practice.stage_words.on.#{stage.scope}"], *what]
        [
          Phrase.list(on, by: :comma),
          (Phrase["practice.stage_words.by_section"] if stage.by_section),
          (Phrase["practice.stage_words.chain.#{stage.chain}"] if stage.chain),
          (Phrase["practice.stage_words.without_repeats"] unless stage.repeats)
        ].compact
      end

      def how(stage)
        percent = stage.tempo_share && (stage.tempo_share * 100).to_i
        times = Phrase["practice.stage_words.times", count: stage.repetitions]
        pace =
          if percent
            Phrase["practice.stage_words.#{stage.ladder ? "climbs" : "at"}", percent: percent]
          else
            Phrase["practice.stage_words.takes", count: stage.seconds]
          end
        [
          Phrase.list(
            [times, pace, Phrase["counts.good_days", count: stage.good_days]],
            by: :comma
          ),
          (Phrase["practice.stage_words.small_count"] if stage.small_count),
          (Phrase["practice.cues.#{stage.cue}"] if stage.cue)
        ].compact
      end

      def only(stage) =
        stage.only.map { |condition| Phrase["practice.stage_words.only.#{condition}"] }

      def waits(stage)
        found =
          %i[after needs everywhere earlier].filter_map do |kind|
            if stage.public_send(kind).any?
              Phrase["practice.stage_words.#{kind}", stages: named(stage.public_send(kind))]
            end
          end
        others =
          @routine.stages.select do |one|
            stage.sitting && one.sitting == stage.sitting && one != stage
          end
        if others.any?
          found << Phrase["practice.stage_words.sitting", stages: named(others.map(&:key))]
        end
        found << Phrase["practice.stage_words.when_introduced"] if stage.introduced_by == :stage
        found
      end

      def named(keys) =
        Phrase.list(
          keys.map do |key|
            Phrase["practice.routine_check.quoted", name: @routine.stage(key)&.name || key.to_s]
          end
        )
    end
  end
end
