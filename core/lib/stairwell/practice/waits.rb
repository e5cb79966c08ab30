# frozen_string_literal: true

module Stairwell
  module Practice
    # What steps wait for: those of other stages on the same place, on what it covers, everywhere,
    # or earlier in the piece. Steps come in the order in which they are made.
    class Waits
      # @param map [Score::Map]
      # @param routine [Routine]
      # @param targets [Targets]
      def initialize(map, routine, targets)
        @map = map
        @routine = routine
        @targets = targets
        # The last step of each stage on each target: what waits for the stage waits for that.
        @made = {}
      end

      # @param stage [Stage]
      # @param target [Targets::Target]
      # @param steps [Array<Step>] of that stage there
      # @return [void]
      def made(stage, target, steps)
        @made[[stage.key, target.key]] = steps.last if steps.any?
      end

      # The steps of stages whose places a target covers; through variant where a section has
      # none of its own.
      # @param keys [Array<Symbol>] of stages
      # @param target [Targets::Target]
      # @return [Array<Step>]
      def for(keys, target) = keys.flat_map { |key| steps_for(key, target) }.uniq

      # @return [Array<Step>] what the sections by themselves are to the whole
      def in_parts(stage, target) =
        if stage.by_section && target.key == "whole"
          @made.filter_map { |(key, _), step| step if key == stage.key }
        else
          []
        end

      # What lies elsewhere in the piece and is waited for all the same. All steps are made by then.
      # @param step [Step]
      # @return [Step]
      def further(step)
        stage = @routine.stage(step.stage)
        begins = step.spans.map(&:from).min
        more =
          @made.filter_map do |(key, _), other|
            if stage.everywhere.include?(key) ||
                 (stage.earlier.include?(key) && other.spans.all? { |span| span.to < begins })
              other.id
            end
          end
        more.empty? ? step : step.with(needs: (step.needs | more) - [step.id])
      end

      private

      def steps_for(key, target)
        stage = @routine.stage(key)
        covering = covered(stage, target)
        found = covering.filter_map { |other| @made[[key, other.key]] }
        own = @made[[key, target.key]]
        found = [own, *found].uniq if own
        return found if found.any? && covering.all? { |other| @made[[key, other.key]] }

        # Places without this stage wait for what it waits for.
        (found + self.for(stage.needs + stage.after, target)).uniq
      end

      # What joins several sections needs of the whole piece only them, where they come first by
      # themselves.
      def covered(stage, target)
        if stage.by_section && target.parts.size > 1 && target.key != "whole"
          return @targets.of(:section).select { |other| covers?(target, other, :section) }
        end

        @targets
          .on(stage)
          .select { |other| other.key == target.key || covers?(target, other, stage.scope) }
      end

      def covers?(target, other, scope)
        return true if target.key == "whole" || scope == :whole
        if PRINTED.include?(scope)
          return (target.spans.flat_map(&:bars) & other.spans.flat_map(&:bars)).any?
        end
        return (with_variant(target.parts) & other.parts).any? if %i[section spot].include?(scope)
        if %i[join growing].include?(scope) && target.parts.size > 1
          return (as_learnt(other.parts) - as_learnt(target.parts)).empty?
        end

        false
      end

      PRINTED = %i[line page verse].freeze
      private_constant :PRINTED

      def as_learnt(labels) = labels.map { |label| @targets.same_as(label) }

      def with_variant(labels)
        labels
          .flat_map do |label|
            section = @map.sections.find { |one| one.label == label }
            if section && @targets.same?(section)
              [label, *with_variant([section.variant.of])]
            else
              [label]
            end
          end
          .uniq
      end
    end
  end
end
