# frozen_string_literal: true

module Stairwell
  module Rows
    # The rows each piece would have, and which of them a week has room for.
    class Candidates
      # @param pieces [Array<Piece>] whose work comes first in front
      # @param days [Integer] practice days of the week
      # @param limits [Limits]
      # @param without [Array<String>] ids of rows that aren't played this week
      # @param same_as [Array<String>, nil] ids of the rows of a week under way: these and no others
      def initialize(pieces, days, limits, without: [], same_as: nil)
        @pieces = pieces
        @days = days
        @limits = limits
        @without = without
        @same_as = same_as
      end

      # @param places [Integer] rows there is room for
      # @return [Array<Work>] by piece, in the order in which they are practised
      def chosen(places)
        all = @pieces.map { |piece| of(piece) }
        taken = []
        rounds(all).each do |work|
          break if taken.size == places

          taken << work unless work.kind == :new && new_rows(taken) == @limits.new_rows
        end
        all.flatten & taken
      end

      # @param piece [Piece]
      # @return [Array<Work>] all it would have, in the order in which they are practised
      def of(piece)
        growing = Growing.new(piece, @days, turn: @pieces.index(piece))
        [
          *hard_places(piece),
          *new_sections(piece),
          *(growing unless piece.deadline),
          Whole.new(piece, @days),
          *kept(piece, growing)
        ].reject { |work| @without.include?(work.id) || @same_as&.none?(work.id) }
      end

      private

      # One row of each piece, then another of each, until there is no more room.
      def rounds(all)
        all = all.map { |works| first_things_first(works) }
        (0...(all.map(&:size).max || 0)).flat_map do |round|
          all.filter_map { |works| works[round] }
        end
      end

      # If a piece has one row only: what is new rather than a hard place in it. Where nothing is
      # new, what there is to learn rather than what goes already; else it would never end.
      def first_things_first(works)
        new, others = works.partition { |work| work.kind == :new }
        new.any? ? new + others : others.partition(&:learning?).flatten
      end

      def new_rows(works) = works.count { |work| work.kind == :new }

      def hard_places(piece) =
        piece
          .hard_places
          .group_by { |step| Places.of(step) }
          .values
          .reject { |steps| steps.all? { |step| piece.standing(step).done? } }
          .map { |steps| HardPlace.new(piece, @days, steps) }
          .reject { |work| @without.include?(work.id) }
          .first(@limits.hard_places)

      def new_sections(piece)
        groups = @same_as ? sections_of_week(piece) : together(piece)
        groups.map { |labels| NewSections.new(piece, @days, labels) }
      end

      def sections_of_week(piece)
        prefix = "#{piece.id}/#{NewSections::KIND}/"
        @same_as
          .select { |id| id.start_with?(prefix) }
          .map { |id| piece.sections & id.delete_prefix(prefix).split("+") }
          .reject(&:empty?)
      end

      # As many sections as are introduced at one lesson; what only lacks its hard place has a row
      # already. Where a date is near, what is left has a row, too.
      # @return [Array<Array<String>>]
      def together(piece)
        left = piece.in_hand.reject { |label| piece.hard_place_in?(label) && piece.played?(label) }
        groups = []
        rows = piece.deadline ? @limits.new_rows : 1
        while left.any? && groups.size < rows
          groups << piece.first_labels(left, @limits.new_bars)
          left -= groups.last
        end
        groups
      end

      def kept(piece, growing)
        labels = piece.known - growing.from_beginning
        return [] if labels.empty?

        stalest = labels.sort_by { |label| piece.played_on(label) || Constants::FIRST_DATE }
        fresh = labels & stalest.first(Constants::SECTIONS_AT_ONCE)
        [KeepFresh.new(piece, @days, fresh)]
      end
    end
  end
end
