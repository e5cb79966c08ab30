# frozen_string_literal: true

module Stairwell
  module Studio
    # What would make a late piece ready sooner, and what each of these changes.
    class WaysOut
      # @param record [Record]
      # @param piece [PieceInHand]
      # @param load [Workload]
      def initialize(record, piece, load = Workload.new(record))
        @record = record
        @piece = piece
        @load = load
      end

      # Of one piece, as if the others were not there: what it can gain.
      # @return [Array<Planning::Option>]
      def to_a
        without = Planning::Options::WORDS.keys.filter_map { |key|
          steps = steps(changed(key.to_s))
          [key, @piece.tasks(progress: @piece.progress.with_steps(steps), timing: @load.timing)] if steps
        }.to_h
        Planning.options(**@load.plan, tasks: @piece.tasks(timing: @load.timing), without: without)
      end

      # @param change [String] of an option
      # @return [PieceInHand, Student] as it is with that change
      # @raise [RefusedError] when it helps no more
      def take(change)
        unless to_a.any? { |one| one.change == change }
          raise RefusedError.new(Phrase["studio.ways_out.this_does_not_make_ready_sooner", title: @piece.title], code: :no_option)
        end
        return practising(change) if change.match?(/\A(day|minutes|begin)_\d+\z/)

        assigned = changed(change)
        @piece.with_steps(steps(assigned), target_tempo: assigned.target_tempo, choices: assigned.choices)
      end

      private

      # The piece with one choice changed.
      def changed(change)
        choices = @piece.choices
        case change
        when "slower_tempo" then @piece.with(target_tempo: slower(@piece.target_tempo), choices: {"learnt_at" => @piece.target_tempo}.merge(choices))
        when "no_pedal" then @piece.with(choices: choices.merge("pedal" => "none"))
        when "fewer_sections" then @piece.with(choices: choices.merge("without" => [*choices["without"], last_section].compact))
        when "no_memory" then @piece.with(choices: choices.merge("memory" => false))
        else @piece
        end
      end

      def slower(tempo) = (tempo * Constants::SLOWER_TARGET).to_i.clamp(Constants::TARGET_TEMPOS.min, Constants::TARGET_TEMPOS.max)

      # @return [Array<Practice::Step>, nil] nil where nothing is left to learn
      def steps(piece)
        Assigned.steps(piece.newest_page.map, piece, @record.routine(piece.routine))
      rescue ContradictionError
        nil
      end

      # The last of those that are not left out yet.
      def last_section = Assigned.page(@piece.newest_page.map, @piece.choices).sections.last&.label

      def practising(change)
        kind, number = change.split("_")
        student = @record.student
        return student.with(practice_days: (student.practice_days | [number.to_i]).sort) if kind == "day"
        return student.with(begin_per_day: number.to_i) if kind == "begin"

        more = ->(minutes) { [minutes + number.to_i, Constants::MOST_DAILY_MINUTES].min }
        student.with(minutes_a_day: more[student.minutes_a_day], minutes_by_day: student.minutes_by_day.transform_values(&more))
      end
    end
  end
end
