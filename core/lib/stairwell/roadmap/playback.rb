# frozen_string_literal: true

module Stairwell
  module Roadmap
    # A piece as it sounds at a tempo: when each bar begins, its clicks, and the
    # notes of each hand. All times are seconds from the first bar.
    class Playback
      # @param map [Score::Map]
      # @param visits [Array<Visit>]
      # @param tempo [Rational] beats per minute
      # @param small [Boolean] whether the small counts are heard: four in cut time, six in 6/8
      def initialize(map, visits, tempo, small: false)
        @map = map
        @visits = visits
        @small = small
        @count = 60.0 / tempo
        @duration = Duration.new(map)
      end

      # @return [Hash{Symbol => Object}] JSON-ready: `count_in` and each bar's
      #   `clicks` (at, strong); `notes` (at, length, MIDI number, hand)
      def to_h
        starts = starting
        {
          count_in: count_in,
          seconds: (starts.last || 0.0).round(4),
          bars:
            @visits
              .zip(starts)
              .map do |visit, start|
                { bar: visit.bar, at: start.round(4), clicks: clicks(visit.bar, start) }
              end,
          notes: @map.notes? ? notes(starts) : []
        }
      end

      private

      # One more than there are bars: the last is the end.
      def starting
        whole = Hash.new { |all, bar| all[bar] = time(bar, @map.bar(bar).counts) }
        @visits.each_with_object([0.0]) { |visit, found| found << found.last + whole[visit.bar] }
      end

      def time(bar, count) = @duration.until_count(bar, count) * @count

      # A full bar of where it begins, and before a pickup what the pickup leaves empty as well.
      def count_in
        first = @map.bar(@visits.first.bar)
        full = first.meter.counts(first.meter.bar_length)
        whole = full + (first.pickup? ? full - first.counts : 0)
        parts = parts(first)
        (0...(whole * parts).floor).map do |at|
          click((at / parts.to_r - whole) * @count, (at % (full * parts)).zero?)
        end
      end

      # A pickup's counts are the last of its bar, and none of them is strong.
      def clicks(index, start)
        bar = @map.bar(index)
        parts = parts(bar)
        (0...(bar.counts * parts).ceil).map do |at|
          click(start + time(index, at / parts.to_r), at.zero? && !bar.pickup?)
        end
      end

      # Clicks to a count.
      def parts(bar) = @small ? bar.meter.small_counts : 1

      def click(at, strong) = { at: at.to_f.round(4), strong: strong }

      def notes(starts)
        found = []
        @visits
          .zip(starts)
          .each do |visit, start|
            length = @map.bar(visit.bar).meter.count_length
            @map
              .notes
              .fetch(visit.bar, {})
              .each do |hand, all|
                all.each do |note|
                  sound(
                    found,
                    note,
                    hand,
                    *[note.onset, note.onset + note.length].map do |at|
                      start + time(visit.bar, at / length)
                    end
                  )
                end
              end
          end
        found
          .sort_by { |at, _, midi, _| [at, midi] }
          .map do |at, lasts, midi, hand|
            { at: at.round(4), length: lasts.round(4), midi: midi, hand: hand.to_s }
          end
      end

      # A tied note makes the one before it longer.
      def sound(found, note, hand, from, to)
        midi = note.pitch.midi
        if note.tied
          held =
            found
              .reverse_each
              .first(64)
              .find do |one|
                one[2] == midi && one[3] == hand && (one[0] + one[1] - from).abs < 0.01
              end
        end
        return held[1] = to - held[0] if held

        note.graces.each_with_index do |pitch, at|
          found << [
            [from - Constants::GRACE_SECONDS * (note.graces.size - at), 0.0].max,
            Constants::GRACE_SECONDS,
            pitch.midi,
            hand
          ]
        end
        found << [from, to - from, midi, hand]
      end
    end
  end
end
