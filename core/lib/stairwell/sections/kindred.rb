# frozen_string_literal: true

module Stairwell
  module Sections
    # Finds how one stretch of bars resembles an earlier one of the same length,
    # both hands together, from the notes.
    class Kindred
      # @param map [Score::Map]
      # @param kinship [Kinship]
      def initialize(map, kinship)
        @map = map
        @kinship = kinship
      end

      # @param span [Score::Span]
      # @param earlier [Array<Score::Section>]
      # @return [Score::Kin, nil] to the closest, the earliest of them; nil when
      #   it resembles none
      def kin(span, earlier)
        earlier.filter_map { |section| compare(span, section) }.min_by.with_index { |kin, at| [rank(kin), at] }
      end

      private

      def compare(span, section)
        mine, theirs = [span, section.spans.first].map { |one| body(one) }
        return unless mine.size == theirs.size && lengths(mine) == lengths(theirs)

        relations = mine.zip(theirs).map { |bar, other| @kinship.between(bar, other) }
        names = relations.map { |one| one&.name }
        different = mine.zip(names).reject { |_, name| name == :same }.map(&:first)
        return Score::Kin.new(of: section.label, except: different) if different.size * 2 <= mine.size
        return Score::Kin.new(of: section.label, relation: :moved) if names.all?(:moved) && relations.map(&:by).uniq.size == 1

        Score::Kin.new(of: section.label, relation: :rhythm) if names.all?
      end

      # A pickup leads into its section and is not compared.
      def body(span) = span.bars.reject { |bar| @map.bar(bar).pickup? }

      def lengths(bars) = bars.map { |bar| @map.bar(bar).length }

      def rank(kin)
        return kin.except.size if kin.relation == :same

        1_000 + Score::Kin::RELATIONS.index(kin.relation)
      end
    end
  end
end
