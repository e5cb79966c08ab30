# frozen_string_literal: true

module Stairwell
  module Aspects
    # Notes outside the key, told by where they stand and why.
    class Accidentals
      # Bars from the first to the last with such notes, their names, and why they are there:
      # :seventh (raised steps of the minor scale), :key (another key holds there), :leads (a half
      # step up to the next note), :beside (a step and back), or nil.
      Region = Stairwell.value(:from, :to, :bars, :names, :why, key: nil, targets: [])
      Found = Struct.new(:bar, :pitch, :after)
      private_constant :Found

      # @param map [Score::Map]
      def initialize(map)
        @map = map
        @keys = map.keys.empty? ? [Score::Key.new(fifths: 0)] : map.keys
      end

      # @return [Array<Region>] in printed order
      def regions
        found
          .slice_when do |one, other|
            other.bar - one.bar > Constants::ACCIDENTALS_APART || key(one.bar) != key(other.bar)
          end
          .map { |all| region(all) }
      end

      private

      # @return [Array<Found>] with the next note of the same line
      def found
        lines
          .flat_map do |line|
            line.each_cons(2).map { |(bar, pitch), (_, after)| Found.new(bar, pitch, after) } +
              [Found.new(*line.last, nil)]
          end
          .select { |one| outside?(one.pitch, key(one.bar)) }
          .sort_by
          .with_index { |one, at| [one.bar, at] }
      end

      # The highest and the lowest note of each hand, and what lies between by itself.
      def lines
        %i[right left]
          .flat_map do |hand|
            touches = Line.new(@map, hand).touches
            chords, = touches.partition { |touch| touch.notes.size > 1 }
            [
              touches.map { |touch| [touch.bar, touch.pitches.max_by(&:midi)] },
              chords.map { |touch| [touch.bar, touch.pitches.min_by(&:midi)] },
              *inner(chords)
            ]
          end
          .reject(&:empty?)
      end

      def inner(chords) =
        chords.flat_map do |touch|
          touch.pitches.sort_by(&:midi)[1...-1].map { |pitch| [[touch.bar, pitch]] }
        end

      def key(bar) = @keys.reverse.find { |one| one.bar <= bar } || @keys.first

      def outside?(pitch, key) = pitch.alter != key.alter(pitch.step)

      def region(all)
        from, to = all.first.bar, all.last.bar
        bars, names = all.map(&:bar).uniq, all.map { |one| name(one.pitch) }.uniq
        Region.new(from: from, to: to, bars: bars, names: names, **why(all, from, to))
      end

      def why(all, from, to)
        home = key(from)
        if home.mode == "minor" && all.all? { |one| raised?(one.pitch, home) }
          return { why: :seventh }
        end

        other = elsewhere(all, from, to, home)
        return { why: :key, key: other } if other
        if all.all? { |one| leads?(one) }
          return { why: :leads, targets: all.map { |one| one.after.step + sign(one.after) }.uniq }
        end
        if all.all? { |one| one.after && (one.after.staff_step - one.pitch.staff_step).abs <= 1 }
          return { why: :beside }
        end

        { why: nil }
      end

      # The sixth and the seventh step of a minor scale are raised on the way up.
      def raised?(pitch, home)
        degree =
          (Score::Pitch::STEPS.index(pitch.step) - Score::Pitch::STEPS.index(home.tonic[0])) % 7
        degree >= 5 && pitch.alter == home.alter(pitch.step) + 1
      end

      # A key that holds there and has all of them.
      def elsewhere(all, from, to, home)
        return if to - from + 1 < Constants::KEY_BARS

        notes = @map.notes.slice(*from..to)
        pitches = notes.values.flat_map(&:values).flatten.map(&:pitch)
        Tonality
          .new(notes)
          .elsewhere(home) do |other|
            all.all? { |one| inside?(one.pitch, other) } &&
              pitches.count { |pitch| !inside?(pitch, other) } <= Constants::STRAY * pitches.size
          end
          &.with(bar: from)
      end

      def inside?(pitch, key) =
        !outside?(pitch, key) || (key.mode == "minor" && raised?(pitch, key))

      def leads?(one) =
        one.after && one.after.midi - one.pitch.midi == 1 &&
          one.after.staff_step - one.pitch.staff_step == 1

      def name(pitch) =
        if pitch.alter.zero?
          Phrase["sections.preview.natural", step: pitch.step]
        else
          Score::Names.of("#{pitch.step}#{sign(pitch)}")
        end

      def sign(pitch) = Score::Pitch::SIGNS.fetch(pitch.alter)
    end
  end
end
