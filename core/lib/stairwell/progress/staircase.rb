# frozen_string_literal: true

module Stairwell
  module Progress
    # A piece as one staircase: to the right the days, upward the work that is steady. As it was
    # really climbed it is as high as {Piece#share}.
    class Staircase
      # A tread's rise: the day its step became steady or is to, and how high the stairs were before
      # and are with it, as shares of all work, 0 to 1.
      Rise = Stairwell.value(:id, :date, :from, :to)

      # @param piece [Piece]
      # @param flights [Array<Stairs::Flight>] of the same piece
      # @param today [Date]
      def initialize(piece, flights, today:)
        @standings = piece.standings
        @treads = flights.flat_map(&:treads)
        @today = today
        @all = work(@standings.keys)
        # Smaller forms of steps were not planned.
        @own = work(piece.own.map(&:id))
      end

      # @return [Array<Rise>] as it was climbed
      def real =
        @real ||= climb(done.filter_map { |one| [one.id, one.real.last] if one.real }, @all)

      # @return [Array<Rise>] as it was planned when the piece was given
      def planned = @planned ||= climb(ends(@treads, :planned), @own)

      # @return [Array<Rise>] as it likely goes on from where it is
      def likely = climb(ends(@treads - done, :likely), @all, height)

      # @return [Array<Rise>] as it goes on with caution
      def cautious = climb(ends(@treads - done, :cautious), @all, height)

      # @return [Phrase] how far it is beside the plan, and what is in hand
      def said
        hand = in_hand
        return beside_the_plan unless hand

        Phrase["progress.staircase.in_hand", said: beside_the_plan, step: hand.title]
      end

      private

      def done = @done ||= @treads.select { |one| %i[steady secure].include?(one.state) }

      def ends(treads, which) = treads.filter_map { |one| [one.id, one[which].last] if one[which] }

      def climb(dated, all, height = 0r)
        return [] if all.zero?

        dated
          .sort_by
          .with_index { |(_, date), at| [date, at] }
          .map do |id, date|
            Rise.new(
              id: id,
              date: date,
              from: height,
              to: height += @standings.fetch(id).step.work / all
            )
          end
      end

      def work(ids) = ids.sum(0r) { |id| @standings.fetch(id).step.work }

      def height = real.last&.to || 0r

      # What was planned for today is not late yet.
      def beside_the_plan
        by_now = planned.take_while { |one| one.date < @today }.last&.to || 0r
        return Phrase["progress.staircase.all_steady"] if done.size == @treads.size

        named = { planned: (by_now * 100).floor }
        return Phrase["progress.staircase.with_the_plan", **named] if by_now == height
        return Phrase["progress.staircase.ahead", **named] if by_now < height

        Phrase[
          "progress.staircase.behind",
          count: (@today - planned.find { |one| one.to > height }.date).to_i,
          **named
        ]
      end

      # Of what is begun or open, what was planned to come first.
      def in_hand
        under_way = @treads.select { |one| one.state == :begun }
        under_way = @treads.select { |one| one.state == :open } if under_way.empty?
        under_way.min_by.with_index { |one, at| [one.planned&.last || @today, at] }
      end
    end
  end
end
