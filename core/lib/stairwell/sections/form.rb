# frozen_string_literal: true

module Stairwell
  module Sections
    # The sections of a piece in the order in which they sound.
    class Form
      # @param map [Score::Map]
      # @param reading [Roadmap::Reading]
      def initialize(map, reading)
        @map = map
        @order = reading.order
      end

      # A new occurrence begins on entering another section, or on moving back
      # within one; to skip an ending is not a new occurrence.
      # @return [Array<Occurrence>]
      def occurrences
        @occurrences ||=
          begin
            at = 0
            @order
              .slice_when { |a, b| b <= a || label(a) != label(b) }
              .map do |bars|
                at += bars.size
                Occurrence.new(
                  label: label(bars.first),
                  from: bars.first,
                  to: bars.last,
                  at: at - bars.size
                )
              end
              .freeze
          end
      end

      # @return [Array<String, nil>] labels in playing order
      def labels = occurrences.map(&:label)

      # Every distinct pair of section end and next section start, jumps
      # included; bars in no section make no join.
      # @return [Array<Join>]
      def joins
        occurrences
          .each_cons(2)
          .filter_map do |one, other|
            next unless one.label && other.label

            Join.new(from: one.label, to: other.label, from_bar: one.to, to_bar: other.from)
          end
          .uniq
      end

      private

      def label(index)
        @labels ||= @map.sections_by_bar.transform_values(&:label)
        @labels[index]
      end
    end
  end
end
