# frozen_string_literal: true

module Stairwell
  module Aspects
    # One hand's notes, touch by touch, in printed order.
    class Line
      # @return [Array<Touch>]
      attr_reader :touches
      # @return [Symbol] :right or :left
      attr_reader :hand

      # @param map [Score::Map]
      # @param hand [Symbol] :right or :left
      def initialize(map, hand)
        @map = map
        @hand = hand
        @touches = read
      end

      # @return [Integer] 1 where outward, away from the thumb, is up; -1 where it is down
      def outward = (hand == :right) ? 1 : -1

      # @return [Score::Map]
      attr_reader :map

      private

      def read
        start = 0r
        found = []
        open = {}
        @map.bars.each do |bar|
          struck(bar).each do |onset, notes|
            tied, fresh = notes.partition(&:tied)
            tied.each { |note| hold(open[note.pitch], start + onset + note.length) }
            next if fresh.empty?

            touch =
              Touch.new(
                bar.index,
                1 + onset / bar.meter.count_length,
                start + onset,
                start + onset + fresh.map(&:length).max,
                fresh.sort_by { |note| outward * note.pitch.midi }
              )
            fresh.each { |note| open[note.pitch] = touch }
            found << touch
          end
          start += bar.length
        end
        found
      end

      def struck(bar) = @map.notes.dig(bar.index, hand).to_a.group_by(&:onset).sort

      def hold(touch, to)
        touch.ends = [touch.ends, to].max if touch
      end
    end
  end
end
