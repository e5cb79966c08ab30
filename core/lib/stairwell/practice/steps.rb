# frozen_string_literal: true

module Stairwell
  module Practice
    # Steps = stages × targets. A section that is the same as an earlier one
    # adds no steps of its own: needs on it resolve to its kin. One that is the
    # same except some bars has steps for those bars only, which need the kin's.
    class Steps
      # @param map [Score::Map]
      # @param routine [Routine]
      # @param choices [Choices]
      def initialize(map, routine, choices)
        raise ContradictionError, "“#{map.title}” has no section yet. Mark at least one on its page." if map.sections.empty?

        @map = map
        @routine = routine.with_hand_first(choices.hand_order)
        @choices = choices
        @reading = Roadmap.read(map)
        @share = Sections.new_share(map)
        @wording = Wording.new(map)
        @aim = choices.aim ? choices.aim.to_r : map.aim
      end

      # @return [Array<Step>]
      def to_a
        @made = {}
        @routine.stages.each do |stage|
          targets(stage.scope).each do |target|
            step = build(stage, target)
            @made[[stage.key, target.key]] = step if step
          end
        end
        in_order(@made.values)
      end

      private

      # What a stage is applied to. `key` is part of the step's id; `parts` are
      # the labels of the sections it covers.
      Target = Stairwell.value(:key, :name, :spans, :parts, :counts, difficulty: Constants::DIFFICULTY, section: nil)
      private_constant :Target

      def targets(scope)
        @targets ||= {section: sections, seam: seams, whole: [whole]}
        @targets.fetch(scope)
      end

      def sections
        @map.sections.filter_map do |section|
          spans = own_spans(section)
          next if spans.empty?

          Target.new(
            key: section.label, name: section.label, spans: spans, parts: [section.label], counts: counts(spans),
            difficulty: section.difficulty, section: section.label
          )
        end
      end

      # The bars of a section that are its own: all of them, the changed ones,
      # or none when it is the same as its kin.
      def own_spans(section)
        kin = kin(section)
        return [section.spans.first] unless kin&.relation == :same && kin.hand.nil?

        kin.except.sort.slice_when { |a, b| b != a + 1 }.map { |bars| Score::Span.new(from: bars.first, to: bars.last) }
      end

      def kin(section)
        section.kin if @map.sections.take_while { |one| one != section }.any? { |one| one.label == section.kin&.of }
      end

      def seams
        Sections.form(@map, @reading).seams.map do |seam|
          spans = [seam.from_bar, seam.to_bar].map { |bar| Score::Span.new(from: bar, to: bar) }
          spans = [Score::Span.new(from: seam.from_bar, to: seam.to_bar)] if seam.to_bar == seam.from_bar + 1
          Target.new(
            key: "#{seam.from}-#{seam.to}@#{seam.from_bar}", name: "#{seam.from} to #{seam.to}", spans: spans,
            parts: [seam.from, seam.to].uniq, counts: counts(spans)
          )
        end
      end

      def whole
        Target.new(
          key: "whole", name: "Whole piece", spans: [Score::Span.new(from: 1, to: @map.bars.size)],
          parts: @map.sections.map(&:label), counts: @reading.counts_played
        )
      end

      def counts(spans) = spans.sum(0r) { |span| @map.counts(span) }

      def build(stage, target)
        bars = target.spans.flat_map(&:bars)
        return if stage.hands != :both && !@share.plays?(stage.hands, bars)

        tempo = Metronome.at_most(@aim * stage.tempo_share)
        share = @share.mean(bars, (stage.hands == :both) ? :together : stage.hands)
        share = 1r if stage.scope == :seam # a join is new wherever its two sides came from
        minutes = Estimate.minutes(counts: target.counts, tempo: tempo, repetitions: stage.repetitions)
        days = Estimate.good_days(
          stage_days: stage.good_days, difficulty: target.difficulty, new_share: share, pace: @choices.pace
        )
        Step.new(
          id: "#{target.key}.#{stage.key}", stage: stage.key, title: "#{target.name}, #{stage.name}", section: target.section,
          hands: stage.hands, spans: target.spans, place: @wording.place(target.spans), counts: target.counts, tempo: tempo,
          repetitions: stage.repetitions, good_days: days, minutes: minutes, done: stage.done,
          hard: stage.scope == :seam,
          arithmetic: @wording.arithmetic(minutes, stage.repetitions, target.counts, tempo, days),
          needs: ids(stage.needs, target), after: ids(stage.after, target)
        )
      end

      # The steps of earlier stages whose sections this target covers; through
      # kin where a section has none of its own.
      def ids(stages, target)
        stages.flat_map { |key|
          found = targets(@routine.stage(key).scope).select { |other| other.key != target.key && covers?(target, other, key) }
          found.unshift(target) if @made[[key, target.key]]
          found.filter_map { |other| @made[[key, other.key]]&.id }
        }.uniq
      end

      def covers?(target, other, stage_key)
        return true if target.key == "whole"

        @routine.stage(stage_key).scope == :section && (with_kin(target.parts) & other.parts).any?
      end

      def with_kin(labels)
        labels.flat_map { |label|
          section = @map.sections.find { |one| one.label == label }
          kin = section && kin(section)
          (kin&.relation == :same && kin.hand.nil?) ? [label, *with_kin([kin.of])] : [label]
        }.uniq
      end

      # Section by section, then the seams, then the whole.
      def in_order(steps)
        place = steps.each_with_index.to_h { |step, at| [step.id, at] }
        labels = @map.sections.map(&:label)
        steps.sort_by { |step| [step.section ? labels.index(step.section) : labels.size, place[step.id]] }
      end
    end
  end
end
