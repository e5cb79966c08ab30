# frozen_string_literal: true

module Stairwell
  module Roadmap
    # A first ending that ends in D.C. or D.S. and has no repeat sign goes back by that, for the
    # endings that follow it.
    module EndingJumps
      # As {Loop#jump}.
      VIA = { capo: :da_capo, segno: :dal_segno }.freeze

      module_function

      # @param map [Score::Map]
      # @return [Array<Score::Jump>]
      def of(map)
        return [] if map.fine.any?

        map.jumps.select do |jump|
          jump.until_sign == :end && map.repeats.none? { |one| one.to == jump.after } &&
            first_ending?(map, jump.after)
        end
      end

      # @param map [Score::Map]
      # @param jump [Score::Jump]
      # @return [Integer] the bar it goes back to
      def start(map, jump) =
        (jump.to == :capo) ? 1 : (map.segno.select { |bar| bar <= jump.after }.max || 1)

      def first_ending?(map, bar)
        map.endings.any? do |one|
          one.to == bar && one.passes.include?(1) &&
            map.endings.any? { |other| other.from == bar + 1 && other.passes.min > one.passes.min }
        end
      end
      private_class_method :first_ending?
    end
  end
end
