# frozen_string_literal: true

module Stairwell
  module Formats
    module MusicXML
      # What no hand reaches at once is shared: a chord of a voice that visits the other staff
      # leaves to the other hand what lies beyond its widest gap.
      class WithinReach
        # @return [Array<Integer>] bars in which something was shared
        attr_reader :bars

        # @param notes [Hash{Integer => Hash{Symbol => Array<Score::Note>}}]
        # @param visited [Set<Integer>] bars in which a voice is on the other staff
        def initialize(notes, visited)
          @notes = notes
          @visited = visited
          @bars = []
        end

        # @return [Hash{Integer => Hash{Symbol => Array<Score::Note>}}]
        def call =
          @notes.to_h { |bar, hands| [bar, @visited.include?(bar) ? shared(bar, hands) : hands] }

        private

        def shared(bar, hands)
          moved =
            hands.to_h do |hand, notes|
              [
                hand,
                notes
                  .group_by(&:onset)
                  .values
                  .select { |all| wide?(all) }
                  .flat_map { |all| beyond(hand, all) }
                  .select { |all| fits?(all, hands[OTHER[hand]]) }
                  .flatten
              ]
            end
          return hands if moved.values.all?(&:empty?)

          @bars << bar
          hands.to_h do |hand, notes|
            [
              hand,
              (notes - moved[hand] + moved[OTHER[hand]]).sort_by.with_index do |note, at|
                [note.onset, at]
              end
            ]
          end
        end

        OTHER = { right: :left, left: :right }.freeze
        private_constant :OTHER

        def wide?(notes) =
          notes
            .map { |note| note.pitch.midi }
            .minmax
            .then { |low, high| high - low > Constants::LARGEST_REACH }

        # What of a chord lies on the side of the other hand, beyond its widest gap.
        # @return [Array<Array<Score::Note>>]
        def beyond(hand, notes)
          sorted = notes.sort_by { |note| note.pitch.midi }
          at =
            (1...sorted.size).max_by { |one| sorted[one].pitch.midi - sorted[one - 1].pitch.midi }
          [(hand == :right) ? sorted.take(at) : sorted.drop(at)]
        end

        # Whether the other hand can hold them beside what it plays then.
        def fits?(notes, others)
          at = notes.first.onset
          sounding = others.to_a.select { |note| note.onset <= at && note.onset + note.length > at }
          !wide?(notes + sounding)
        end
      end
    end
  end
end
