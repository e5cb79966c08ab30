# frozen_string_literal: true

module Stairwell
  module Sections
    # Finds how stretches of bars resemble earlier ones of the same length, both
    # hands together, from the notes. Earlier sections are remembered by what
    # their bars have in common with others, and only those are compared.
    class SimilarSections
      # @param map [Score::Map]
      # @param likeness [Likeness]
      def initialize(map, likeness)
        @map = map
        @likeness = likeness
        @known = Hash.new { |all, trait| all[trait] = [] }
      end

      # Remembers a section as one that later ones may resemble.
      # @param section [Score::Section]
      def add(section)
        traits(body(section.spans.first)).each { |trait| @known[trait] << section if @known[trait].size < Constants::MOST_COMPARED }
      end

      # @param span [Score::Span]
      # @return [Score::Variant, nil] to the closest of the sections added, the
      #   earliest of them; nil when it resembles none
      def variant(span)
        candidates = traits(body(span)).flat_map { |trait| @known.fetch(trait, []) }.uniq(&:label)
        candidates.filter_map { |section| compare(span, section) }.min_by.with_index { |variant, at| [rank(variant), at] }
      end

      private

      # What a stretch must share with another to resemble it: the same bar in
      # the same place, or the whole rhythm.
      def traits(bars)
        bars.each_with_index.map { |bar, at| [bars.size, at, @likeness.look(bar)] } << bars.map { |bar| @likeness.rhythm(bar) }
      end

      def compare(span, section)
        mine, theirs = [span, section.spans.first].map { |one| body(one) }
        return unless mine.size == theirs.size && lengths(mine) == lengths(theirs)

        relations = mine.zip(theirs).map { |bar, other| @likeness.between(bar, other) }
        names = relations.map { |one| one&.name }
        different = mine.zip(names).reject { |_, name| name == :same }.map(&:first)
        return Score::Variant.new(of: section.label, except: different) if different.size * 2 <= mine.size
        return Score::Variant.new(of: section.label, relation: :moved) if names.all?(:moved) && relations.map(&:by).uniq.size == 1

        Score::Variant.new(of: section.label, relation: :rhythm) if names.all?
      end

      # A pickup leads into its section and is not compared.
      def body(span) = span.bars.reject { |bar| @map.bar(bar).pickup? }

      def lengths(bars) = bars.map { |bar| @map.bar(bar).length }

      def rank(variant)
        return variant.except.size if variant.relation == :same

        1_000 + Score::Variant::RELATIONS.index(variant.relation)
      end
    end
  end
end
