# frozen_string_literal: true

module Stairwell
  module Sections
    # Finds where a hand begins in some bars.
    class Entries
      # @param map [Score::Map]
      # @param hand [Symbol] :right or :left
      def initialize(map, hand)
        @map = map
        @hand = hand
        @said =
          map
            .markings
            .starts
            .select { |one| one.hand == hand }
            .sort_by { |one| [one.bar, one.beat] }
      end

      # What was said for these bars; else the first notes, where they are known;
      # else the position that was said last before.
      # @param bars [Array<Integer>] indexes, as they are practised
      # @return [Array<Entry>] one for each key struck together, none where
      #   nothing is known or the hand rests
      def in(bars)
        first = bars.find { |bar| struck(bar).any? }
        there = @said.find { |one| bars.include?(one.bar) && (first.nil? || one.bar <= first) }
        return [entry(there.finger, there.pitch)] if there
        return struck(first).map { |note| entry(note.finger, note.pitch) } if first
        return [] if @map.notes?

        held = @said.reverse.find { |one| one.bar <= bars.min }
        held ? [entry(held.finger, held.pitch)] : []
      end

      private

      def entry(finger, pitch) = Entry.new(hand: @hand, finger: finger, pitch: pitch)

      # The notes of a bar that are struck first, from the lowest up.
      def struck(bar)
        @struck ||= {}
        @struck[bar] ||= @map
          .notes
          .fetch(bar, {})
          .fetch(@hand, [])
          .reject(&:tied)
          .then do |notes|
            onset = notes.map(&:onset).min
            notes.select { |note| note.onset == onset }.sort_by { |note| note.pitch.midi }
          end
      end
    end
  end
end
