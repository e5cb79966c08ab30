# frozen_string_literal: true

module Stairwell
  module Aspects
    # Chords by their degree in the key, bar by bar or by half bars, as they are blocked.
    class Harmony
      # From a bar and beat on; `keys` what the hands play of it.
      Chord = Stairwell.value(:bar, :beat, :degree, :fit)
      # Steps of the scale in each chord (common practice); the fifth degree is major in minor keys.
      MAJOR = {
        "I" => [0, 4, 7],
        "ii" => [2, 5, 9],
        "iii" => [4, 7, 11],
        "IV" => [5, 9, 0],
        "V" => [7, 11, 2],
        "V7" => [7, 11, 2, 5],
        "vi" => [9, 0, 4],
        "vii°" => [11, 2, 5]
      }.freeze
      MINOR = {
        "i" => [0, 3, 7],
        "ii°" => [2, 5, 8],
        "III" => [3, 7, 10],
        "iv" => [5, 8, 0],
        "v" => [7, 10, 2],
        "V" => [7, 11, 2],
        "V7" => [7, 11, 2, 5],
        "VI" => [8, 0, 3],
        "VII" => [10, 2, 5],
        "vii°" => [11, 2, 5]
      }.freeze

      # @param map [Score::Map]
      def initialize(map)
        @map = map
        @keys = map.keys.empty? ? [Score::Key.new(fifths: 0)] : map.keys
      end

      # @param bars [Array<Integer>] only there
      # @return [Array<Chord>] where it changes; a bar in which none is clear has none
      def chords(bars = @map.bars.map(&:index))
        bars
          .flat_map { |bar| of_bar(bar) }
          .slice_when { |one, other| one.degree != other.degree || other.bar > one.bar + 1 }
          .map(&:first)
      end

      # @return [Hash{String => Array<Integer>}] bars by degree, the most frequent first; empty
      #   where harmony is not clear in most bars
      def degrees
        found = @map.bars.map(&:index).flat_map { |bar| of_bar(bar) }
        played = @map.notes.count { |_, hands| hands.each_value.any?(&:any?) }
        return {} if found.map(&:bar).uniq.size < Constants::NEARLY_ALL * played

        found
          .group_by(&:degree)
          .transform_values { |all| all.map(&:bar).uniq }
          .sort_by { |_, at| [-at.size, at.first] }
          .to_h
      end

      private

      def of_bar(bar) = (@of_bar ||= {})[bar] ||= read(bar)

      # By halves only where they are clearer than the bar.
      def read(bar)
        counts = @map.bar(bar).counts
        whole = best(bar, 0r, @map.bar(bar).length)
        return [whole].compact if counts < 2 || counts % 2 != 0

        half = @map.bar(bar).length / 2
        halves = [best(bar, 0r, half), best(bar, half, half * 2)]
        return [whole].compact if halves.any?(&:nil?) || halves.map(&:degree).uniq.one?
        if whole.nil? || halves.sum(&:fit) / 2 > whole.fit + Constants::CLEARER_BY_HALVES
          return halves
        end

        [whole]
      end

      def best(bar, from, to)
        sounding =
          @map
            .notes
            .fetch(bar, {})
            .values
            .flatten
            .select { |note| note.onset < to && note.onset + note.length > from }
        return if sounding.map { |note| note.pitch.midi % 12 }.uniq.size < 2

        key = @keys.reverse.find { |one| one.bar <= bar } || @keys.first
        tonic = Score::Pitch.parse("#{key.tonic}4").midi % 12
        weights = weights(sounding, from, to, tonic)
        bass =
          (
            sounding.min_by { |note| [note.onset.clamp(from, to), note.pitch.midi] }.pitch.midi -
              tonic
          ) % 12
        degree, fit =
          ((key.mode == "minor") ? MINOR : MAJOR)
            .map do |name, tones|
              [name, fit(tones, weights, bass) + Constants::CHORD_USUAL.fetch(name, 0.0)]
            end
            .max_by(&:last)
        if fit >= Constants::CHORD_CLEAR
          Chord.new(
            bar: bar,
            beat: 1 + from / @map.bar(bar).meter.count_length,
            degree: degree,
            fit: fit
          )
        end
      end

      # @return [Hash{Integer => Float}] share of the time by step above the tonic
      def weights(sounding, from, to, tonic)
        lengths =
          sounding
            .group_by { |note| (note.pitch.midi - tonic) % 12 }
            .transform_values do |all|
              all.sum { |note| [note.onset + note.length, to].min - [note.onset, from].max }.to_f
            end
        lengths.transform_values { |length| length / lengths.values.sum }
      end

      # What of the time is in the chord, with its root in the bass, and less for what is missing of
      # it.
      def fit(tones, weights, bass)
        inside = tones.sum { |tone| weights.fetch(tone, 0.0) }
        missing =
          tones.first(2).count { |tone| !weights.key?(tone) } +
            ((tones.size == 4 && !weights.key?(tones.last)) ? 1 : 0)
        inside - Constants::CHORD_MISSING * missing +
          ((bass == tones.first) ? Constants::CHORD_BASS : 0.0)
      end
    end
  end
end
