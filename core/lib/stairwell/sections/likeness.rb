# frozen_string_literal: true

module Stairwell
  module Sections
    # Compares the bars of a piece whose notes are known, each hand by itself
    # and both together with one and the same earlier bar: to have played the
    # right hand of bar 1 and the left hand of bar 5 is not to know the bar.
    #
    # Bars are looked up by what they have in common and not compared one by
    # one, so that long pieces take no longer for each bar than short ones.
    class Likeness
      HANDS = %i[right left].freeze

      def initialize(map)
        @map = map
        @keys = map.keys.empty? ? [Score::Key.new(fifths: 0)] : map.keys
        @prints =
          map.bars.to_h { |bar| [bar.index, HANDS.to_h { |hand| [hand, print(bar.index, hand)] }] }
      end

      # @return [Array<Hash{Symbol => Relation}>] :right, :left and :together
      #   for each bar in printed order
      def bars
        @bars ||=
          begin
            found = {
              right: relations([:right]),
              left: relations([:left]),
              together: relations(HANDS)
            }
            @map.bars.each_index.map { |at| found.transform_values { |all| all[at] } }.freeze
          end
      end

      # @param index [Integer] a bar
      # @param other [Integer] another bar
      # @return [Relation, nil] both hands together; nil where even the rhythm
      #   differs. Two silent bars are the same.
      def between(index, other)
        mine, theirs = [index, other].map { |bar| @prints[bar].values_at(*HANDS) }
        if mine.none? || theirs.none?
          return (mine.none? && theirs.none?) ? Relation.new(name: :same, of: other, by: 0) : nil
        end

        kinds_of(index)
          .zip(kinds_of(other))
          .each do |(name, key), (_, other_key)|
            return relation(name, mine, theirs, other) if key == other_key
          end
        nil
      end

      # @param index [Integer]
      # @return [Array<Integer>] the bars before that are the same, both hands
      #   together; the nearest ones where there are many
      def twins(index)
        @twins ||= @map.bars.map(&:index).group_by { |bar| look(bar) }
        @twins.fetch(look(index), []).take_while { |bar| bar < index }.last(Constants::MOST_TWINS)
      end

      # @return [Object] what bars that are the same, both hands together, have
      #   in common
      def look(index) = kinds_of(index)&.first

      # @return [Object] the same for bars of one rhythm, both hands together
      def rhythm(index) = kinds_of(index)&.last

      # What else can be said of a bar of one hand: its shape turned upside down
      # (:mirror), or the tune of the other hand taken over (:other_hand).
      # @return [Array<Symbol>]
      def also(index, hand)
        @also ||= HANDS.to_h { |one| [one, besides(one)] }
        @also[hand].fetch(index, [])
      end

      private

      def print(index, hand)
        notes = @map.notes.dig(index, hand).to_a.sort_by { |note| [note.onset, note.pitch.midi] }
        return if notes.empty?

        key = @keys.reverse.find { |one| one.bar <= index } || @keys.first
        Print.new(
          notes.map { |note| [note.onset, note.length, note.tied] },
          notes.map { |note| note.pitch.midi },
          notes.map { |note| note.pitch.staff_step },
          notes.map { |note| note.pitch.alter - key.alter(note.pitch.step) }
        )
      end

      # One walk over the bars: the first bar of each kind is remembered.
      def relations(hands)
        first = Hash.new { |all, key| all[key] = {} }
        @map.bars.map do |bar|
          mine = @prints[bar.index].values_at(*hands)
          next Relation.new(name: :rest) if mine.none?

          keys = kinds(mine)
          closest(keys, first, mine, hands).tap do
            keys.each { |name, key| first[name][key] ||= bar.index }
          end
        end
      end

      # The closest relation counts, to the earliest such bar.
      def closest(keys, first, mine, hands)
        found = keys.filter_map { |name, key| (of = first[name][key]) && [name, of] }
        return Relation.new(name: :new) if found.empty?

        name, of = found.min_by.with_index { |(kind, bar), at| [RANK.fetch(kind), bar, at] }
        relation(name, mine, @prints[of].values_at(*hands), of)
      end

      RANK = { same: 0, by_semitones: 1, by_steps: 1, rhythm: 2 }.freeze

      # What bars of each kind have in common, the closest first. Both hands
      # move by one distance, so all are measured from one note.
      def kinds(prints)
        rhythms = prints.map { |one| one&.rhythm }
        {
          same: [rhythms, prints.map { |one| one&.semitones }],
          by_semitones: [rhythms, from_first(prints, :semitones)],
          by_steps: [rhythms, from_first(prints, :steps), prints.map { |one| one&.alters }],
          rhythm: rhythms
        }.to_a
      end

      # @return [Array, nil] nil for a bar in which nobody plays
      def kinds_of(index)
        @kinds ||=
          begin
            # Numbers for what is compared, since comparing the whole takes long.
            numbers = Hash.new { |all, key| all[key] = all.size }
            @prints.transform_values do |hands|
              prints = hands.values_at(*HANDS)
              kinds(prints).map { |name, key| [name, numbers[[name, key]]] } unless prints.none?
            end
          end
        @kinds[index]
      end

      def from_first(prints, by)
        origin = prints.compact.first[by].first
        prints.map { |one| one && one[by].map { |value| value - origin } }
      end

      def relation(name, mine, theirs, of)
        case name
        when :same
          Relation.new(name: :same, of: of, by: 0)
        when :by_semitones
          Relation.new(name: :moved, of: of, by: distance(mine, theirs, :semitones))
        when :by_steps
          Relation.new(name: :moved, of: of, by: { steps: distance(mine, theirs, :steps) })
        else
          Relation.new(name: :rhythm, of: of)
        end
      end

      def distance(mine, theirs, by) = mine.compact.first[by].first - theirs.compact.first[by].first

      # @return [Hash{Integer => Array<Symbol>}] by bar
      def besides(hand)
        other = HANDS.find { |one| one != hand }
        shapes, tunes = Set.new, Set.new
        @map
          .bars
          .each_with_object({}) do |bar, found|
            mine, theirs = @prints[bar.index].values_at(hand, other)
            if mine && mine.steps.uniq.size > 1
              said = [
                (:mirror if shapes.include?(shape(mine, -1))),
                (:other_hand if tunes.include?(tune(mine)))
              ].compact
              found[bar.index] = said if said.any?
              shapes << shape(mine, 1)
            end
            tunes << tune(theirs) if theirs
          end
      end

      def shape(print, sign) =
        [print.rhythm, print.steps.map { |step| sign * (step - print.steps.first) }]

      def tune(print) =
        [print.rhythm, print.semitones.map { |pitch| pitch - print.semitones.first }]
    end
  end
end
