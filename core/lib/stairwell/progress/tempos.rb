# frozen_string_literal: true

module Stairwell
  module Progress
    # The tempos at which a student holds what is learnt: notes a second by kind of step, as far
    # as results say at which tempo it went. What is new begins there, not at the share of the
    # target that is the same for everyone.
    class Tempos
      # Something that went: `speed` in notes a second.
      Held = Stairwell.value(:kind, :date, :speed)

      # @param pieces [Array<Piece>]
      # @param known [Hash{Symbol => Float}] from pieces that ended, by kind of step
      # @return [Tempos]
      def self.of(pieces, known: {}) = new(pieces.flat_map { |piece| heard(piece) }, known: known)

      # @return [Array<Held>] what was steady, at the tempo it was heard at
      def self.heard(piece)
        piece.own.flat_map do |step|
          piece
            .results_of(step.id)
            .filter_map do |one|
              if WENT.include?(one.result) && step.speed(one.tempo)
                Held.new(kind: step.kind, date: one.date, speed: step.speed(one.tempo))
              end
            end
        end
      end

      WENT = %i[steady secure].freeze
      private_class_method :heard
      private_constant :WENT

      # @param held [Array<Held>]
      # @param known [Hash{Symbol => Float}]
      def initialize(held, known: {})
        newest =
          held
            .sort_by(&:date)
            .group_by(&:kind)
            .select { |_, all| all.size >= Constants::HELD_NEEDED }
        @speeds =
          known.merge(
            newest.transform_values do |all|
              Timing.median(all.last(Constants::HELD_NEWEST).map(&:speed))
            end
          )
      end

      # @return [Hash{Symbol => Float}] notes a second by kind of step
      def to_h = @speeds

      # What was begun keeps its tempo.
      # @param steps [Array<Practice::Step>] as they are made, or were before
      # @param progress [Piece, nil] how they went so far
      # @return [Array<Practice::Step>] the same in the same order
      def on(steps, progress = nil)
        by_id = steps.to_h { |step| [step.id, step] }
        was = progress ? progress.own.to_h { |step| [step.id, step] } : {}
        tempos =
          Hash.new do |found, id|
            step = by_id[id]
            kept = was[id]&.tempo if step.usual && begun?(progress&.standings&.fetch(id, nil))
            found[id] = kept ? [kept, step.top].min : tempo(step, by_id, found)
          end
        steps.map { |step| step.usual ? step.at(tempos[step.id]) : step }
      end

      private

      def begun?(standing) = !standing.nil? && (standing.days.any? || !standing.last_result.nil?)

      # What comes later on the same bars goes no slower than what came before.
      def tempo(step, by_id, tempos)
        earlier =
          (step.needs + step.after)
            .filter_map { |id| by_id[id] }
            .select { |one| one.usual && one.kind == step.kind && (bars(one) & bars(step)).any? }
        return [step.usual, *earlier.map { |one| tempos[one.id] }].max if earlier.any?

        [first(step), step.top].min
      end

      def first(step)
        speed = @speeds[step.kind]
        return step.usual unless speed && step.notes_per_count

        low, high = Constants::HELD_BOUNDS.map { |share| step.usual * share }
        Practice::Metronome.at_most((speed * 60 / step.notes_per_count).to_f.clamp(low, high))
      end

      def bars(step) = step.spans.flat_map(&:bars)
    end
  end
end
