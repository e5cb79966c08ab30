# frozen_string_literal: true

module Stairwell
  module Practice
    # What a place has, for stages that are only for such places.
    class Conditions
      # @param map [Score::Map]
      # @param share [Sections::NewShare]
      def initialize(map, share)
        @map = map
        @marks = map.markings
        @share = share
        @sections = map.sections.to_h { |one| [one.label, one] }
        @touched =
          map
            .notes
            .select { |_, hands| hands.values.flatten.any? { |note| note.articulation.any? } }
            .keys
      end

      # @param condition [Symbol] see {Stage::ONLY}
      # @param bars [Array<Integer>]
      def met?(condition, bars)
        case condition
        when :pedal
          over?(@marks.pedal, bars)
        when :ornaments
          over?(@marks.ornaments, bars)
        when :lyrics
          over?(@marks.verses.map(&:span), bars)
        when :dynamics
          over?(@marks.dynamics.map(&:span), bars)
        when :articulation
          (@touched & bars).any? ||
            @marks.section_notes.any? do |one|
              one.kind == :articulation && of_section?(one.section, bars)
            end
        when :voicing
          met?(:together, bars) &&
            tunes.any? { |one| one.over && bars.any? { |bar| bar.between?(one.from, one.to) } }
        when :track
          !@marks.track.nil?
        when :together
          %i[right left].all? { |hand| @share.plays?(hand, bars) } && !alternating?(bars)
        end
      end

      # @return [Symbol, nil] the only hand that plays there, nil where both do
      def one_hand(bars)
        playing = %i[right left].select { |hand| @share.plays?(hand, bars) }
        playing.first if playing.size == 1
      end

      # @return [Boolean] whether bars are of a section
      def of_section?(label, bars)
        section = @sections[label]
        !section.nil? && bars.any? { |bar| section.cover?(bar) }
      end

      # @return [Boolean] whether the hands play one after the other throughout
      def alternating?(bars) = throughout?(:alternating, bars)

      # @return [Boolean] whether no hand is learnt by itself
      def together_first?(bars) = throughout?(:together_first, bars)

      private

      def tunes = @tunes ||= Aspects::Tune.new(@map).stretches

      def throughout?(use, bars) =
        @marks.hands.any? do |one|
          one.use == use && (one.span.nil? || bars.all? { |bar| one.span.cover?(bar) })
        end

      def over?(spans, bars) = spans.any? { |span| bars.any? { |bar| span.cover?(bar) } }
    end
  end
end
