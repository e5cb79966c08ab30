# frozen_string_literal: true

module Stairwell
  module Formats
    module MusicXML
      # Says which staff's hand plays a note of a part with two staves: the one
      # it is written on, unless "L.H." or "R.H." says otherwise to the end of
      # the bar, or its voice only visits the other staff.
      class Crossing
        WORDS = {
          /\A\W*(l\s*\.?\s*h|m\s*\.?\s*s|m\s*\.?\s*g|left\s+hand)\b/i => 2,
          /\A\W*(r\s*\.?\s*h|m\s*\.?\s*d|right\s+hand)\b/i => 1
        }.freeze

        # @param words [String]
        # @return [Integer, nil] the staff whose hand is named
        def self.named(words) = WORDS.find { |pattern, _| words.match?(pattern) }&.last

        # @param measures [Array<Measure>] of one part
        def initialize(measures)
          @homes = homes(measures)
        end

        # @param measure [Measure]
        # @return [Array<Array(Integer, Score::Note)>] staff of the hand, note
        def hands(measure)
          said =
            measure
              .events
              .select { |one| one.kind == :words }
              .filter_map do |one|
                (to = self.class.named(one.value.text)) && [one.at, [one.staff, 1].max, to]
              end
          measure.sounds.map do |sound|
            named =
              said
                .select { |at, staff, _| at <= sound.note.onset && staff == sound.staff }
                .max_by(&:first)
                &.last
            [named || @homes.fetch(sound.voice, sound.staff), sound.note]
          end
        end

        # @return [Boolean] whether a voice goes over both staves and has its home on none
        def split? = @split

        private

        # Some programs number voices through the part, others anew on each
        # staff; the same voice twice in a bar, on two staves, is two voices.
        def homes(measures)
          staves = Hash.new { |all, voice| all[voice] = Hash.new(0) }
          measures.each do |measure|
            measure.sounds.each { |sound| staves[sound.voice][sound.staff] += 1 }
          end
          @split = false
          return {} if staves.each_value.all?(&:one?)

          apart =
            measures
              .flat_map do |measure|
                measure.sounds.group_by(&:voice).select { |_, sounds| two_voices?(sounds) }.keys
              end
              .to_set
          single = staves.reject { |voice, _| voice.empty? || apart.include?(voice) }
          @split =
            single.each_value.any? do |counts|
              counts.size > 1 && counts.values.max < counts.values.sum * Constants::VOICE_AT_HOME
            end
          single
            .filter_map do |voice, counts|
              staff, count = counts.max_by(&:last)
              if counts.size > 1 && count >= counts.values.sum * Constants::VOICE_AT_HOME
                [voice, staff]
              end
            end
            .to_h
        end

        def two_voices?(sounds)
          sounds
            .group_by(&:stretch)
            .values
            .map { |all| all.map(&:staff).uniq }
            .select { |staves| staves.size == 1 }
            .uniq
            .size > 1
        end
      end
    end
  end
end
