# frozen_string_literal: true

module Stairwell
  module Sections
    # What sounds in a piece, in windows a bar long. A window begins an upbeat before its bar, so
    # that a phrase with its upbeat is compared with another as a whole.
    class Stretches
      # Notes by hand, each [onset, staff step, alteration, length]; the `tune` is the highest note
      # of the right hand at each onset.
      Window = Stairwell.value(:right, :left, :tune) { def empty? = right.empty? && left.empty? }

      # Whole bars with the `upbeat` before them, in whole notes, and what is `cut` off their end
      # for the next one.
      Stretch = Stairwell.value(:bars, upbeat: 0r, cut: 0r)

      # What is asked of two windows, from 0 to 1 each: `both` hands literally, the `tune` of the
      # right hand alone, the same `moved` by scale steps, its `rhythm`.
      KINDS = %i[both tune moved rhythm].freeze

      # @param map [Score::Map]
      # @param upbeat [Rational] in whole notes
      def initialize(map, upbeat)
        @map = map
        @upbeat = upbeat
        @offsets = map.bars.inject([0r]) { |all, bar| all << (all.last + bar.length) }
        @windows = windows
        @worth = {}
      end

      # @param index [Integer] of a bar
      # @return [Window] that begins with it, or with its upbeat
      def [](index) = @windows[index - 1]

      # @param one [Integer] a bar
      # @param other [Integer] another
      # @return [Float] what the one is worth as a return of the other, from 0 to 1
      def worth(one, other) =
        @worth[[one, other]] ||= KINDS.inject(0.0) do |best, kind|
          (share_of(kind) > best) ? [best, share_of(kind) * alike(one, other, kind)].max : best
        end

      # @param kind [Symbol] of {KINDS}
      # @return [Float] from 0 to 1
      def alike(one, other, kind) = compare(self[one], self[other], kind)

      # @param one [Stretch]
      # @param other [Stretch] of as many bars
      # @return [Array<Symbol, nil>] of each pair of bars: :same, :moved, :rhythm or nil. An upbeat
      #   that only one of them has is not compared, nor what is cut short for another one.
      def relations(one, other)
        upbeat, cut = [one.upbeat, other.upbeat].min, [one.cut, other.cut].max
        one
          .bars
          .zip(other.bars)
          .each_with_index
          .map do |pair, at|
            early = at.zero? ? upbeat : 0r
            late = (at == one.bars.size - 1) ? cut : 0r
            relation(*pair.map { |bar| inside(bar, early, late) }, last: late.positive?)
          end
      end

      # @param bar [Integer]
      # @param other [Integer]
      # @return [Integer, nil] staff steps by which the tune is moved
      def distance(bar, other) =
        [bar, other].map { |one| self[one].tune.first&.at(1) }
          .then { |mine, theirs| mine && theirs && (mine - theirs) }

      private

      def windows
        hands = Likeness::HANDS.to_h { |hand| [hand, sounding(hand)] }
        @map.bars.map do |bar|
          right, left = Likeness::HANDS.map { |hand| hands[hand].fetch(bar.index, []) }
          Window.new(
            right: right,
            left: left,
            tune: right.group_by(&:first).map { |_, all| all.max_by { |note| note[1] } }
          )
        end
      end

      # A bar with some of what is before it, and without some of its end.
      def inside(bar, early, late) = (@inside ||= {})[[bar, early, late]] ||= part(bar, early, late)

      def part(bar, early, late)
        from, to = @offsets[bar - 1] - early, @offsets[bar] - late
        Likeness::HANDS.to_h do |hand|
          all = placed(hand)
          first = all.bsearch_index { |at, _| at >= from } || all.size
          [
            hand,
            all[first..]
              .take_while { |at, _| at < to }
              .map { |at, note| [at - from, note.pitch.staff_step, note.pitch.alter, note.length] }
          ]
        end
      end

      # @return [Array<Array(Rational, Score::Note)>] in their order
      def placed(hand)
        @placed ||= {}
        @placed[hand] ||= @map
          .bars
          .flat_map do |bar|
            @map
              .notes
              .dig(bar.index, hand)
              .to_a
              .reject(&:tied)
              .map { |note| [@offsets[bar.index - 1] + note.onset, note] }
          end
          .sort_by { |at, note| [at, note.pitch.midi] }
      end

      # By the bar whose window they are in.
      def sounding(hand)
        placed(hand)
          .group_by { |at, _| window_at(at) }
          .to_h do |bar, all|
            from = start(bar)
            [
              bar,
              all.map do |at, note|
                [at - from, note.pitch.staff_step, note.pitch.alter, note.length]
              end
            ]
          end
      end

      def start(index) = [@offsets[index - 1] - @upbeat, 0r].max

      # What is in the upbeat of the last bar line belongs to no later bar.
      def window_at(place) =
        [
          @offsets.bsearch_index { |offset| offset > place + @upbeat } || @map.bars.size,
          @map.bars.size
        ].min

      # What a kind is worth beside the same literally.
      def share_of(kind) = Constants::RETURNS.fetch(kind, 1.0)

      def compare(one, other, kind)
        return silent(one, other, kind) if one.empty? || other.empty?
        return both(one, other) if kind == :both
        return 0.0 if kind == :moved && (one.tune.size < 2 || other.tune.size < 2)

        share(one, other, kind)
      end

      def silent(one, other, kind) = (one.empty? && other.empty? && kind != :moved) ? 1.0 : 0.0

      # Each hand counts by what it plays.
      def both(one, other)
        weights = Likeness::HANDS.to_h { |hand| [hand, [one[hand].size, other[hand].size].max] }
        weights.sum { |hand, weight| weight.zero? ? 0.0 : weight * share(one, other, hand) } /
          weights.values.sum.to_f
      end

      # What both hold, of what the fuller one holds.
      def share(one, other, what)
        mine, theirs = counted(one, what), counted(other, what)
        return (mine.empty? && theirs.empty?) ? 1.0 : 0.0 if mine.empty? || theirs.empty?

        mine.sum { |number, count| [count, theirs.fetch(number, 0)].min } /
          [mine.sum(&:last), theirs.sum(&:last)].max.to_f
      end

      # How often each thing is there, as numbers: they are compared often.
      def counted(window, what)
        @counted ||= {}.compare_by_identity
        (@counted[window] ||= {})[what] ||= things(window, what).map { |thing| number(thing) }.tally
      end

      def number(thing) = (@numbers ||= Hash.new { |all, one| all[one] = all.size })[thing]

      def things(window, what)
        case what
        when :right, :left
          window[what].map { |note| note.first(3) }
        when :tune
          window.tune.map { |note| note.first(2) }
          # The same tune from another step on.
        when :moved
          window.tune.map { |at, step, _| [at, step - window.tune.first[1]] }
        when :rhythm
          window.tune.map(&:first)
        end
      end

      def relation(one, other, last:)
        silent = [one, other].map { |hands| hands.each_value.all?(&:empty?) }
        return silent.all? ? :same : nil if silent.any?

        { same: :said, moved: :shape, rhythm: :times }.find do |_, way|
            one.transform_values { |notes| send(way, notes, last) } ==
              other.transform_values { |notes| send(way, notes, last) }
          end
          &.first
      end

      def said(notes, last) = last ? notes.map { |note| note.first(3) } : notes

      def times(notes, last) = notes.map { |note| [note[0], *(note[3] unless last)] }

      def shape(notes, last)
        from = notes.first&.at(1)
        notes.map { |at, step, _, length| [at, step - from, *(length unless last)] }
      end
    end
  end
end
