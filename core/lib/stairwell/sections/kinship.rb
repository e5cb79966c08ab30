# frozen_string_literal: true

module Stairwell
  module Sections
    # How a bar relates to the earliest earlier bar it resembles most: `name` is
    # :same, :moved, :rhythm, :new or :rest; `of` that bar's index; `by` the
    # shift of :moved in semitones, or {steps: n} where only scale steps agree.
    Relation = Stairwell.value(:name, of: nil, by: nil)

    # Compares the bars of a piece whose notes are known, each hand by itself
    # and both together with one and the same earlier bar: to have played the
    # right hand of bar 1 and the left hand of bar 5 is not to know the bar.
    class Kinship
      HANDS = %i[right left].freeze
      CLOSEST = %i[same moved rhythm].freeze

      def initialize(map)
        @map = map
        @keys = map.keys.empty? ? [Score::Key.new(fifths: 0)] : map.keys
        @prints = map.bars.to_h { |bar| [bar.index, HANDS.to_h { |hand| [hand, print(bar.index, hand)] }] }
      end

      # @return [Array<Hash{Symbol => Relation}>] :right, :left and :together
      #   for each bar in printed order
      def bars
        @bars ||= @map.bars.map do |bar|
          HANDS.to_h { |hand| [hand, closest(bar.index, [hand])] }.merge(together: closest(bar.index, HANDS))
        end.freeze
      end

      # @param index [Integer] a bar
      # @param other [Integer] another bar
      # @return [Relation, nil] both hands together; nil where even the rhythm
      #   differs. Two silent bars are the same.
      def between(index, other)
        mine, theirs = [index, other].map { |bar| @prints[bar].values_at(*HANDS) }
        return if rhythms(mine) != rhythms(theirs)
        return Relation.new(name: :same, of: other, by: 0) if mine.none?

        compare(mine, theirs, other)
      end

      # What else can be said of a bar of one hand: its shape turned upside down
      # (:mirror), or the tune of the other hand taken over (:other_hand).
      # @return [Array<Symbol>]
      def also(index, hand)
        mine = @prints[index][hand]
        return [] if mine.nil? || mine.steps.uniq.size < 2

        other = HANDS.find { |one| one != hand }
        before = (1...index)
        [
          (:mirror if before.any? { |bar| mirror?(mine, @prints[bar][hand]) }),
          (:other_hand if before.any? { |bar| taken_over?(mine, @prints[bar][other]) })
        ].compact
      end

      private

      def mirror?(mine, theirs)
        return false unless theirs && theirs.rhythm == mine.rhythm && theirs.steps.uniq.size > 1

        mine.steps.zip(theirs.steps).map(&:sum).uniq.size == 1
      end

      def taken_over?(mine, theirs)
        !theirs.nil? && theirs.rhythm == mine.rhythm && mine.semitones.zip(theirs.semitones).map { |a, b| a - b }.uniq.size == 1
      end

      # What is compared of one hand in one bar. Onsets and lengths make the
      # rhythm; pitches are kept by semitone and by scale step in the key.
      Print = Struct.new(:rhythm, :semitones, :steps, :alters)
      private_constant :Print

      def print(index, hand)
        notes = @map.notes.dig(index, hand).to_a.sort_by { |note| [note.onset, note.pitch.midi] }
        return if notes.empty?

        key = @keys.reverse.find { |one| one.bar <= index } || @keys.first
        Print.new(
          notes.map { |note| [note.onset, note.length, note.tied] }, notes.map { |note| note.pitch.midi },
          notes.map { |note| note.pitch.staff_step }, notes.map { |note| note.pitch.alter - key.alter(note.pitch.step) }
        )
      end

      def closest(index, hands)
        mine = @prints[index].values_at(*hands)
        return Relation.new(name: :rest) if mine.none?

        best = Relation.new(name: :new)
        earlier(mine, hands, index).each do |other|
          relation = compare(mine, @prints[other].values_at(*hands), other)
          next unless relation && rank(relation) < rank(best)

          best = relation
          break if best.name == :same
        end
        best
      end

      def rank(relation) = CLOSEST.index(relation.name) || CLOSEST.size

      # Only bars of the same rhythm can be related at all.
      def earlier(mine, hands, index)
        @by_rhythm ||= {}
        groups = @by_rhythm[hands] ||= @map.bars.map(&:index).group_by { |at| rhythms(@prints[at].values_at(*hands)) }
        groups.fetch(rhythms(mine), []).take_while { |at| at < index }
      end

      def rhythms(prints) = prints.map { |one| one&.rhythm }

      def compare(mine, theirs, of)
        pairs = mine.zip(theirs).select { |one, _| one }
        return Relation.new(name: :same, of: of, by: 0) if pairs.all? { |one, other| one.semitones == other.semitones }

        shift = shift(pairs, :semitones)
        return Relation.new(name: :moved, of: of, by: shift) if shift

        steps = shift(pairs, :steps)
        if steps && pairs.all? { |one, other| one.alters == other.alters }
          return Relation.new(name: :moved, of: of, by: {steps: steps})
        end
        Relation.new(name: :rhythm, of: of)
      end

      # @return [Integer, nil] the one number by which every pitch is shifted
      def shift(pairs, by)
        shifts = pairs.flat_map { |one, other|
          mine, theirs = one[by], other[by]
          next [nil] unless mine.size == theirs.size

          mine.zip(theirs).map { |a, b| a - b }
        }.uniq
        shifts.first if shifts.size == 1
      end
    end
  end
end
