# frozen_string_literal: true

module Stairwell
  module Practice
    # A piece as this teacher has it played: whether repeats are taken after a
    # jump, and how long fermatas are held.
    module Habits
      module_function

      # @param map [Score::Map]
      # @param choices [Choices]
      # @return [Score::Map]
      def on(map, choices)
        jumps =
          (
            if choices.repeats == :as_printed
              map.jumps
            else
              map.jumps.map { |jump| jump.with(repeats: choices.repeats == :taken) }
            end
          )
        fermatas =
          (
            if choices.fermata == :twice
              map.markings.fermatas.map { |one| one.with(held: nil) }
            else
              map.markings.fermatas
            end
          )
        map.with(jumps: jumps, markings: map.markings.with(fermatas: fermatas))
      end

      # @param one [Score::Fermata]
      # @param bar [String] its printed name
      # @return [String] what to know of a fermata, in words
      def fermata(one, bar, choices)
        if choices.fermata == :free
          return Phrase["practice.habits.the_fermata_in_bar_hold_it", bar: bar]
        end

        Phrase[
          "practice.habits.the_fermata_in_bar_hold_counts",
          bar: bar,
          counts: Roadmap.number(one.held || one.counts * 2)
        ]
      end
    end
  end
end
