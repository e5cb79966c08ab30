# frozen_string_literal: true

require "tsort"

module Stairwell
  module Practice
    # Refuses a routine that cannot work, with the reason.
    class RoutineCheck
      include TSort

      # @param routine [Routine]
      # @return [void]
      # @raise [ContradictionError] naming the stage and what to do
      def self.call(routine) = new(routine).call

      def initialize(routine)
        @routine = routine
        @stages = routine.stages.to_h { |one| [one.key, one] }
      end

      def call
        refuse("The routine has no stage. Add at least one.") if @stages.empty?
        twice = @routine.stages.map(&:key).tally.find { |_, count| count > 1 }
        refuse("Two stages are called “#{twice.first}”. Give one of them another name.") if twice
        refuse("No stage works on a section, so nothing is learnt before it is joined. Add a stage for sections, or make them for the whole piece.") unless @routine.stages.any? { |one| %i[section whole].include?(one.scope) }
        @stages.each_value { |one| check(one) }
        circle
        @stages.each_value { |one| reach(one) }
      end

      private

      def check(one)
        unknown = (one.needs + one.after).find { |key| !@stages.key?(key) }
        refuse("“#{one.name}” waits for a stage “#{unknown}” that is not in the routine. Add it, or take the wait away.") if unknown
        refuse("“#{one.name}” has neither a tempo nor a time. Say a share of the target tempo, or how many seconds one repetition takes.") unless one.tempo_share || one.seconds
        refuse("“#{one.name}” is to be at #{(one.tempo_share * 100).to_i} % of the target tempo. Choose between 10 and 120 %.") if one.tempo_share && !one.tempo_share.between?(1/10r, 12/10r)
        refuse("“#{one.name}” is to climb to the target tempo, but has no tempo to climb to. Say a share of the target tempo.") if one.ladder && !one.tempo_share
        refuse("“#{one.name}” needs at least one repetition and one good day.") unless one.repetitions.positive? && one.good_days.positive?
      end

      # What a stage can reach with its waits: stages on places that lie in its
      # own or that grow out of them. A wait for anything else would be none.
      REACHED = {
        spot: %i[spot section], section: %i[spot section whole], join: %i[spot section join], growing: %i[spot section join growing], whole: Stage::SCOPES
      }.freeze
      PLACES = {spot: "a spot", section: "a section", join: "a join", growing: "joined sections", whole: "the whole piece"}.freeze

      def reach(one)
        far = waits(one.key).map { |key| @stages[key] }.find { |other| !REACHED.fetch(one.scope).include?(other.scope) }
        refuse("“#{one.name}” works on #{PLACES[one.scope]} and waits for “#{far.name}”, which works on #{PLACES[far.scope]}: nothing there leads to it. Let it wait for a stage on sections.") if far
        return if one.scope == :whole || leads_on?(one)

        refuse("Nothing reaches the whole piece from “#{one.name}”: no later stage waits for it, though others wait for stages after it. Let one wait for it, or take it out.")
      end

      # Whether a stage is waited for, or adds itself at the end as the last layers
      # do: it waits for something itself, or it is the only kind there is.
      def leads_on?(one)
        @stages.each_key.any? { |key| waits(key).include?(one.key) } || waits(one.key).any? || @stages.each_value.none? { |other| other.scope == :whole }
      end

      def circle
        ring = strongly_connected_components.find { |keys| keys.size > 1 } || @stages.keys.find { |key| waits(key).include?(key) }&.then { |key| [key] }
        refuse("These stages wait for each other in a circle: #{ring.map { |key| "“#{@stages[key].name}”" }.join(", ")}. Take one of the waits away.") if ring
      end

      def waits(key) = @stages[key].needs + @stages[key].after

      def tsort_each_node(&) = @stages.each_key(&)

      def tsort_each_child(key, &) = waits(key).each(&)

      def refuse(message) = raise(ContradictionError, message)
    end
  end
end
