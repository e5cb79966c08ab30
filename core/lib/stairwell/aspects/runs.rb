# frozen_string_literal: true

module Stairwell
  module Aspects
    # Single notes of a hand's line that follow each other one way.
    module Runs
      # @param line [Line]
      # @param least [Integer] notes
      # @yieldparam one [Touch]
      # @yieldparam other [Touch] the one behind it
      # @yieldreturn [Object, nil] how it goes on from one to the other; nil where it does not
      # @return [Array<Array<Touch>>] those in which it goes on in the same way
      def self.of(line, least)
        together =
          line.touches.slice_when do |one, other|
            !one.single? || !other.single? || other.at > one.ends || yield(one, other).nil?
          end
        same =
          together.flat_map do |all|
            all
              .each_cons(2)
              .map { |one, other| [one, other, yield(one, other)] }
              .slice_when { |one, other| one.last != other.last }
              .to_a
          end
        same
          .map { |pairs| [pairs.first.first, *pairs.map { |_, other, _| other }] }
          .select { |run| run.size >= least }
      end
    end
  end
end
