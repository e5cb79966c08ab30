# frozen_string_literal: true

module Stairwell
  module Sections
    # Finds which earlier section a stretch of bars resembles, and how. Sections are remembered by
    # what their bars have in common with others, and only those are compared.
    class Variants
      # @param stretches [Stretches]
      def initialize(stretches)
        @stretches = stretches
        @known = Hash.new { |all, trait| all[trait] = [] }
        @stretch = {}
        @turn = {}
      end

      # Remembers a section as one that later ones may resemble.
      # @param label [String]
      # @param stretch [Stretches::Stretch]
      def add(label, stretch)
        @turn[label] = @turn.size
        @stretch[label] = stretch
        traits(stretch.bars).each do |trait|
          @known[trait] << label if @known[trait].size < Constants::MOST_COMPARED
        end
      end

      # @param stretch [Stretches::Stretch]
      # @return [Score::Variant, nil] of the closest of the sections added, the earliest of them;
      #   nil when it resembles none
      def variant(stretch)
        shared = traits(stretch.bars).flat_map { |trait| @known.fetch(trait, []) }.tally
        candidates =
          shared
            .max_by(Constants::MOST_LIKE) { |label, count| [count, -@turn.fetch(label)] }
            .map(&:first)
            .sort_by { |label| @turn.fetch(label) }
        candidates
          .filter_map { |label| compare(stretch, label) }
          .min_by
          .with_index { |variant, at| [rank(variant), at] }
      end

      private

      # What a stretch must share with another: the tune or the bass of a bar in the same place, or
      # the whole rhythm.
      def traits(bars)
        windows = bars.map { |bar| @stretches[bar] }
        windows.each_with_index.flat_map do |window, at|
          [
            [bars.size, at, :tune, window.tune.map { |note| note.first(2) }],
            [bars.size, at, :left, window.left.map { |note| note.first(2) }]
          ]
        end << [:rhythm, windows.map { |window| window.tune.map(&:first) }]
      end

      def compare(stretch, label)
        theirs = @stretch[label]
        bars = stretch.bars
        return unless bars.size == theirs.bars.size

        relations = @stretches.relations(stretch, theirs)
        different = bars.zip(relations).reject { |_, name| name == :same }.map(&:first)
        return Score::Variant.new(of: label, except: different) if different.size * 2 <= bars.size
        if relations.all?(:moved) &&
             bars.zip(theirs.bars).map { |bar, other| @stretches.distance(bar, other) }.uniq.size ==
               1
          return Score::Variant.new(of: label, relation: :moved)
        end
        return Score::Variant.new(of: label, hand: :right) if tune?(bars, theirs.bars)

        Score::Variant.new(of: label, relation: :rhythm) if relations.all?
      end

      # The tune of the right hand, over something else.
      def tune?(bars, theirs) =
        bars
          .zip(theirs)
          .all? do |bar, other|
            @stretches[bar].right.any? && @stretches.alike(bar, other, :tune) >= 1
          end

      def rank(variant)
        if variant.relation == :same
          return variant.except.size + (variant.hand ? Constants::HAND_RANK : 0)
        end

        1_000 + Score::Variant::RELATIONS.index(variant.relation)
      end
    end
  end
end
