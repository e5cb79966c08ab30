# frozen_string_literal: true

module Stairwell
  module Sections
    # How much of each bar is new, from 0 to 1, for each hand and together.
    # With notes it follows from likeness; without, from what the teacher said
    # of the sections, with the same figures.
    class NewShare
      # @param map [Score::Map]
      def initialize(map)
        @map = map
        @likeness = Likeness.new(map) if map.notes?
      end

      # @return [Likeness, nil] nil without notes
      attr_reader :likeness

      # @param index [Integer] bar index
      # @param hands [Symbol] :right, :left or :together
      # @return [Rational] 0 to 1
      def bar(index, hands = :together)
        name = relation(index, hands)
        # A shape turned over, or taken from the other hand, costs as a rhythm.
        name = :rhythm if name == :new && @likeness && hands != :together &&
          @likeness.also(index, hands).any?
        Constants::NEW_SHARE.fetch(name)
      end

      # @param bars [Array<Integer>] bar indexes
      # @return [Rational] the mean over the bars
      def mean(bars, hands = :together) = bars.sum(0r) { |index| bar(index, hands) } / bars.size

      # @return [Rational] the sum over the piece, in bars
      def new_bars = @map.bars.sum(0r) { |one| bar(one.index) }

      # @param index [Integer]
      # @return [Symbol] :same, :moved, :rhythm, :new or :rest
      def relation(index, hands = :together)
        return @likeness.bars[index - 1][hands].name if @likeness

        said[[index, hands]] ||= from_words(index, hands)
      end

      # @return [Boolean] whether a hand plays in any of the bars; without
      #   notes both are taken to play, unless the page says that one hand has
      #   them alone
      def plays?(hand, bars)
        bars.any? do |index|
          !alone?(index, OTHER.fetch(hand)) && (@likeness.nil? || relation(index, hand) != :rest)
        end
      end

      private

      OTHER = { right: :left, left: :right }.freeze
      private_constant :OTHER

      # Whether the page says that a hand has this bar to itself.
      def alone?(index, hand) =
        @map.markings.hands.any? do |one|
          one.use == hand && (one.span.nil? || one.span.cover?(index))
        end

      def said = @said ||= {}

      def sections = @sections ||= @map.sections_by_bar

      def from_words(index, hands)
        section = sections[index]
        return :new unless section
        # A later place of a section is the section over again.
        return :same unless section.spans.first.cover?(index)

        variant = section.variant
        if variant.nil? || !earlier?(variant.of, section) || variant.except.include?(index) ||
             (variant.hand && variant.hand != hands)
          return :new
        end

        variant.relation
      end

      def earlier?(label, section)
        @map.sections.take_while { |one| one != section }.any? { |one| one.label == label }
      end
    end
  end
end
