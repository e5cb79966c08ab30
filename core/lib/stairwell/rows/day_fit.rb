# frozen_string_literal: true

module Stairwell
  module Rows
    # One practice day made to fit its minutes. Too much: five times become three, then what is kept
    # fresh and old pieces take turns by day, then what grows does; whatever is left over is played
    # fewer times, and at last not at all.
    class DayFit
      # @param number [Integer] of the day
      # @param room [Rational] minutes beside warm-ups and other work
      def initialize(number, room)
        @number = number
        @room = room
        @squeezed = []
      end

      # Ids of rows of which something had to be left out.
      # @return [Array<String>]
      attr_reader :squeezed

      # @return [String, nil] id of a row of which not even one time fits
      attr_reader :too_long

      # @param cells [Hash{Work => Array<Part>}] in the order of the day
      # @return [Hash{Work => Array<Part>}]
      def call(cells)
        cells = cells.transform_values { |parts| ready(parts) }
        return cells if fits?(cells)

        [
          ->(all) { all.transform_values { |parts| parts.map(&:fewer) } },
          ->(all) { turns(all, %i[keep_fresh repertoire]) },
          ->(all) { turns(all, %i[grow]) }
        ].each do |less|
          cells = less.call(cells)
          return cells if fits?(cells)
        end
        squeeze(cells)
      end

      private

      def fits?(cells) = cells.values.flatten.sum(0r, &:minutes) <= @room

      # Once for each row one finds the place and sets the metronome.
      def ready(parts) =
        parts.each_with_index.map do |part, at|
          at.zero? ? part.with(ready: Constants::READY) : part
        end

      # Of rows of these kinds every other one is left out, another one each day.
      def turns(cells, kinds)
        mine = cells.keys.select { |work| kinds.include?(work.kind) && cells[work].any? }
        out = mine.select.with_index { |_, at| (at + @number).even? }
        cells.to_h { |work, parts| [work, out.include?(work) ? [] : parts] }
      end

      # From the end: as few times as still make a good day, then fewer stages, then none. The first
      # thing of what is new stays to the last.
      def squeeze(cells)
        cells.keys.reverse_each do |work|
          cells = cells.merge(work => ready(cells[work].map(&:least)))
          return cells if fits?(cells)
        end
        until fits?(cells)
          return shrunk(cells) if cells.values.flatten.one?

          work = next_out(cells) or return cells
          @squeezed |= [work.id]
          at = cells[work].rindex { |part| !part.pinned }
          cells =
            cells.merge(work => ready(cells[work].reject.with_index { |_, index| index == at }))
        end
        cells
      end

      # The last thing that is left is played as often as there are minutes for; not at all where
      # once is too long.
      def shrunk(cells) =
        cells.to_h do |work, parts|
          [work, parts.filter_map { |part| part.pinned ? part : as_often_as_fits(part, work) }]
        end

      def as_often_as_fits(part, work)
        times = ((@room - part.ready) / part.each).floor
        return part.with(times: [times, part.times].min) if times.positive?

        @too_long = work.id
        nil
      end

      # Of what can be left out: the last of rows that aren't new, then of the fullest new one.
      def next_out(cells)
        left = cells.select { |_, parts| parts.any? { |part| !part.pinned } }.keys
        others = left.reject { |work| work.kind == :new }
        others.last || left.max_by { |work| cells[work].size }
      end
    end
  end
end
