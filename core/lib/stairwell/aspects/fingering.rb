# frozen_string_literal: true

module Stairwell
  module Aspects
    # Fingers for all a hand plays: printed and typed ones hold, scales and broken chords have those
    # of the handbooks, and between them stand the ones that strain the hand least.
    class Fingering
      # Fingers of a touch, in the order of its notes, and which of them are printed or typed.
      Fingers =
        Struct.new(:touch, :fingers, :said) do
          # @return [Boolean] whether somebody said all of them
          def said? = said.all?
        end
      # All ways to lay as many fingers on keys, outward.
      WAYS = (1..5).to_h { |count| [count, (1..5).to_a.combination(count).to_a.freeze] }.freeze
      # What handbooks give fingers for.
      HANDBOOK = [ScaleRuns, ChromaticRuns, ArpeggioRuns].freeze
      private_constant :WAYS, :HANDBOOK

      # @param line [Line]
      # @param handbook [Boolean] whether scales and broken chords get the fingers of handbooks
      def initialize(line, handbook: true)
        @line = line
        @outward = line.outward
        @starts = line.map.markings.starts.select { |one| one.hand == line.hand }.group_by(&:bar)
        @handbook =
          (handbook ? HANDBOOK : []).each_with_object({}.compare_by_identity) do |runs, found|
            found.merge!(runs.new(line).fingers)
          end
        @costs = {}
      end

      # @return [Array<Fingers>] one for each touch of up to five keys, in printed order
      def fingers = @fingers ||= phrases.flat_map { |touches| least(touches) }

      private

      # Fingers are looked for between silences, so that a long page costs no more a bar.
      def phrases =
        @line
          .touches
          .reject { |touch| touch.notes.size > 5 }
          .slice_when { |one, other| other.at - one.ends >= Constants::LETS_GO }

      # The cheapest way through all touches, each finger paid for with the one before.
      def least(touches)
        ways = touches.map { |touch| ways(touch) }
        totals = ways.first.map { |way, cost| cost + first(way) }
        back = []
        touches
          .each_cons(2)
          .with_index(1) do |(before, touch), at|
            patience = (before.keys == touch.keys) ? 1.0 : patience(before, touch)
            found =
              ways[at].map do |way, cost|
                ways[at - 1]
                  .each_index
                  .map do |index|
                    totals[index] + patience * step(before, touch, ways[at - 1][index].first, way)
                  end
                  .each_with_index
                  .min
                  .then { |total, from| [total + cost, from] }
              end
            totals = found.map(&:first)
            back << found.map(&:last)
          end
        chosen(totals, back)
          .zip(touches, ways)
          .map do |index, touch, all|
            Fingers.new(touch, all[index].first, said(touch).map { |one| !one.nil? })
          end
      end

      def chosen(totals, back) =
        back
          .reverse
          .inject([totals.each_with_index.min.last]) { |path, from| [from[path.first], *path] }

      # A phrase begins rather with a finger that lets the hand go on.
      def first(way) = (way == [4]) ? 1.0 : 0.0

      # @return [Array<Array(Array<Integer>, Float)>] fingers and what they cost by themselves
      def ways(touch)
        said = said(touch)
        possible =
          WAYS
            .fetch(touch.notes.size)
            .select { |way| way.zip(said).all? { |finger, one| one.nil? || one == finger } }
        # What is printed holds, also where it is not in order.
        if possible.empty?
          possible = [
            said.each_with_index.map { |one, at| one || WAYS.fetch(touch.notes.size).first[at] }
          ]
        end
        book = @handbook[touch]
        possible.map do |way|
          [
            way,
            (touch.single? ? 0.0 : StrainOfFingers.together(way, touch.keys, @outward)) +
              ((book && way != [book]) ? Constants::BESIDE_THE_HANDBOOK : 0.0)
          ]
        end
      end

      # @return [Array<Integer, nil>] what is printed or typed
      def said(touch)
        start = @starts[touch.bar]&.find { |one| one.beat == touch.beat }
        touch.notes.map do |note|
          note.finger || (start.finger if start && start.pitch == note.pitch)
        end
      end

      # Where there is time the hand moves at less cost; that another finger takes a key is no
      # matter of time.
      def patience(before, touch)
        counts = (touch.at - before.at) / @line.map.bar(before.bar).meter.count_length
        (counts > Constants::TIME_TO_MOVE) ? 1 / counts.to_f : 1.0
      end

      def step(before, touch, from, to)
        if before.single? && touch.single?
          return cost(from.first, to.first, before.keys.first, touch.keys.first)
        end

        inner = cost(from.first, to.first, before.keys.first, touch.keys.first)
        outer = cost(from.last, to.last, before.keys.last, touch.keys.last)
        (inner + outer) / 2
      end

      def cost(finger, other, key, other_key)
        @costs[(((finger * 6 + other) * 128 + key) * 128) + other_key] ||= StrainOfFingers.between(
          finger,
          other,
          key,
          other_key,
          @outward
        )
      end
    end
  end
end
