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
        refuse(Phrase["practice.routine_check.the_routine_has_no_stage_add"]) if @stages.empty?
        twice = @routine.stages.map(&:key).tally.find { |_, count| count > 1 }
        if twice
          refuse(
            Phrase["practice.routine_check.two_stages_are_called_give_one", stage: twice.first]
          )
        end
        unless @routine.stages.any? { |one| %i[section line page verse whole].include?(one.scope) }
          refuse(Phrase["practice.routine_check.no_stage_works_on_a_section"])
        end
        @stages.each_value { |one| check(one) }
        circle
        @stages.each_value { |one| reach(one) }
      end

      private

      def check(one)
        unknown = (one.waits + one.earlier).find { |key| !@stages.key?(key) }
        if unknown
          refuse(
            Phrase[
              "practice.routine_check.waits_for_a_stage_that_is",
              stage: one.name,
              unknown: unknown
            ]
          )
        end
        unless one.tempo_share || one.seconds
          refuse(Phrase["practice.routine_check.has_neither_a_tempo_nor_a", stage: one.name])
        end
        if one.tempo_share && !one.tempo_share.between?(1 / 10r, 12 / 10r)
          refuse(
            Phrase[
              "practice.routine_check.is_to_be_at_of_the",
              stage: one.name,
              percent: (one.tempo_share * 100).to_i
            ]
          )
        end
        if one.ladder && !one.tempo_share
          refuse(Phrase["practice.routine_check.is_to_climb_to_the_target", stage: one.name])
        end
        unless one.repetitions.positive? && one.good_days.positive?
          refuse(
            Phrase["practice.routine_check.needs_at_least_one_repetition_and", stage: one.name]
          )
        end
      end

      # What a stage can reach with its waits: stages on places that lie in its
      # own or that grow out of them, and of the whole piece. A wait for anything else would be
      # none.
      PRINTED = %i[spot section line page verse whole].freeze
      REACHED = {
        spot: PRINTED,
        section: PRINTED,
        line: PRINTED,
        page: PRINTED + %i[join],
        verse: PRINTED + %i[join],
        join: PRINTED + %i[join],
        growing: PRINTED + %i[join growing],
        whole: Stage::SCOPES
      }.freeze
      PLACES =
        {
          spot: "a_spot",
          section: "a_section",
          line: "a_line",
          page: "a_page",
          verse: "a_verse",
          join: "a_join",
          growing: "joined_sections",
          whole: "the_whole_piece"
        }.transform_values { |name| Phrase["practice.routine_check.#{name}"] }.freeze
      private_constant :PRINTED, :REACHED, :PLACES

      def reach(one)
        far =
          (one.needs + one.after)
            .map { |key| @stages[key] }
            .find { |other| !REACHED.fetch(one.scope).include?(other.scope) }
        if far
          refuse(
            Phrase[
              "practice.routine_check.works_on_and_waits_for_which",
              stage: one.name,
              place: PLACES[one.scope],
              other: far.name,
              other_place: PLACES[far.scope]
            ]
          )
        end
        return if one.scope == :whole || leads_on?(one)

        refuse(
          Phrase["practice.routine_check.nothing_reaches_the_whole_piece_from", stage: one.name]
        )
      end

      # Whether a stage is waited for, or adds itself at the end as the last layers
      # do: it waits for something itself, or it is the only kind there is.
      def leads_on?(one)
        @stages.each_value.any? { |other| (other.waits + other.earlier).include?(one.key) } ||
          one.waits.any? || @stages.each_value.none? { |other| other.scope == :whole }
      end

      def circle
        ring = ring(:waits) || forward
        if ring
          refuse(
            Phrase[
              "practice.routine_check.circle",
              stages:
                Phrase.list(
                  ring.map do |key|
                    Phrase["practice.routine_check.quoted", name: @stages[key].name]
                  end,
                  by: :comma
                )
            ]
          )
        end
      end

      # @param waits [Symbol] a method of stages
      # @return [Array<Symbol>, nil] stages that wait for each other
      def ring(waits)
        @waits = waits
        strongly_connected_components.find do |keys|
          keys.size > 1 || @stages[keys.first].public_send(waits).include?(keys.first)
        end
      end

      # What waits for what stands earlier in the piece may go round by that; but not where it
      # is waited for everywhere.
      # @return [Array<Symbol>, nil]
      def forward
        @waits = :all_waits
        strongly_connected_components.find do |keys|
          keys.any? { |key| (@stages[key].everywhere & keys).any? } &&
            keys.any? { |key| (@stages[key].earlier & keys).any? }
        end
      end

      def tsort_each_node(&) = @stages.each_key(&)

      def tsort_each_child(key, &) = @stages[key].public_send(@waits).each(&)

      def refuse(message) = raise(ContradictionError, message)
    end
  end
end
