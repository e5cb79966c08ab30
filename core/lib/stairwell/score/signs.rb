# frozen_string_literal: true

module Stairwell
  module Score
    # A stretch of printed bars by index, both ends included. It may begin and
    # end inside a bar, at a beat (the last beat included); nil is the bar's edge.
    Span = Stairwell.value(:from, :to, from_beat: nil, to_beat: nil) do
      # @return [Array<Integer>] the bar indexes
      def bars = (from..to).to_a

      def size = to - from + 1

      def cover?(index) = index.between?(from, to)

      # @return [Boolean] whether the two share a beat
      def overlap?(other) = before?(other) && other.before?(self)

      # @return [Boolean] whether this one begins before the other ends
      def before?(other)
        return from < other.to unless from == other.to

        from_beat.nil? || other.to_beat.nil? || from_beat <= other.to_beat
      end

      # @return [Boolean] whether the other lies wholly inside
      def hold?(other) = from <= other.from && other.to <= to
    end

    # Repeat bar lines. `from` is nil where the page has no opening sign,
    # `times` nil where it does not say how often.
    Repeat = Stairwell.value(:to, from: nil, times: nil)

    # A bracketed ending: the passes on which it is played, and its bars.
    Ending = Stairwell.value(:passes, :from, :to) do
      def span = Span.new(from: from, to: to)
    end

    # An instruction to go back after a bar. `to` is :capo (the beginning) or
    # :segno (the sign); `until_sign` is :end, :fine or :coda; `repeats` says
    # whether repeats are taken again on the way.
    Jump = Stairwell.value(:after, :to, until_sign: :end, repeats: false)
    Jump::WORDS = {capo: "da capo", segno: "dal segno"}.freeze

    # The tempo as printed and as the teacher wants it: the word, the mark
    # (unit in whole notes, beats of that unit a minute), and the target tempo in counts
    # a minute.
    Tempo = Stairwell.value(words: nil, mark_unit: nil, mark: nil, target: nil)
  end
end
