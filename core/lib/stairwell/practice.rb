# frozen_string_literal: true

require_relative "practice/metronome"
require_relative "practice/stage"
require_relative "practice/choices"
require_relative "practice/routine"
require_relative "practice/routine_check"
require_relative "practice/routine_document"
require_relative "practice/routine_edit"
require_relative "practice/routines"
require_relative "practice/step"
require_relative "practice/estimate"
require_relative "practice/wording"
require_relative "practice/simplification"
require_relative "practice/exercise"
require_relative "practice/chain"
require_relative "practice/warm_ups"
require_relative "practice/habits"
require_relative "practice/target_tempo"
require_relative "practice/targets"
require_relative "practice/waits"
require_relative "practice/strain"
require_relative "practice/aspect_notes"
require_relative "practice/steps"
require_relative "practice/conditions"
require_relative "practice/stage_words"
require_relative "practice/path"

module Stairwell
  # How it is learned: routines made of stages, and the steps they give on the
  # sections, joins and whole of one piece, each with its estimate.
  module Practice
    # What hands do, as one says it of one hand and of both.
    #
    # @param action [Symbol] of {Stage::ACTIONS}
    # @param hands [Symbol] :one or :both
    # @return [Phrase]
    def self.does(action, hands) = Phrase["practice.does.#{hands}.#{action}"]

    # @param step [Step, Stage]
    # @return [Phrase] what the hands do, and the voice, in words
    def self.how(step)
      voice = step.actions[:voice]
      hands = hands(step)
      return hands unless voice
      if step.actions.values_at(:right, :left).all?(:silent)
        return Phrase["practice.voice.alone.#{voice}"]
      end

      Phrase["practice.voice.beside.#{voice}", hands: hands]
    end

    def self.hands(step)
      return Phrase["practice.with_the_eyes"] if step.aspect == :overview && step.actions.empty?

      right, left = step.actions.values_at(:right, :left)
      return Phrase["hands.#{step.hands}"] if step.hands != :both || right.nil? || left.nil?
      # Where no hand does anything the stage's own name says what to do.
      return stage_name(step) if right == left && right == :silent
      return (right == :play) ? Phrase["hands.both"] : does(right, :both) if right == left

      Phrase["practice.right_hand_left_hand", right: does(right, :one), left: does(left, :one)]
    end

    private_class_method :hands

    # @param step [Step]
    # @return [Phrase, String] what its stage is called; kept as text before
    def self.stage_name(step)
      return step.name if step.is_a?(Stage)

      step.title.is_a?(Phrase::List) ? step.title.items[1] : step.title.to_s.split(", ").last
    end

    # @param step [Step]
    # @return [Array<Symbol>] the hands that are on the keys in it
    def self.playing(step)
      return [] if step.aspect == :overview && step.actions.empty?

      hands = (step.hands == :both) ? %i[right left] : [step.hands]
      if (step.actions.keys & hands).empty?
        hands
      else
        hands.select { |hand| %i[play block touch].include?(step.actions[hand]) }
      end
    end

    # What to do as pictures, for those who cannot read: what the hands do, and
    # what else.
    # @param step [Step]
    # @return [Array<Symbol>] of {Stage::PICTURES}, one or two
    def self.pictures(step)
      hands = (step.actions.values & %i[clap tap]).first
      hands ||= step.hands if playing(step).any?
      what = step.picture unless hands && %i[right left both].include?(step.picture)
      [hands, VOICES[step.actions[:voice]] || what].compact.uniq
    end

    # How the voice is drawn.
    VOICES = { say: :say, sing: :sing, names: :names, count: :point }.freeze
    private_constant :VOICES

    # @param map [Score::Map]
    # @param routine [Routine]
    # @param choices [Choices]
    # @return [Array<Step>] in the order of the piece
    # @raise [ContradictionError] when the map has no section to learn
    def self.steps(map, routine: HAND_BY_HAND, choices: Choices.new)
      Steps.new(map, routine, choices).to_a
    end
  end
end
