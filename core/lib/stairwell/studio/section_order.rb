# frozen_string_literal: true

module Stairwell
  module Studio
    # In which order the sections of a piece are begun, as the teacher chose: in the order of
    # the piece, the hardest first, as they are introduced, in a list of the teacher's own; or
    # whatever makes the piece ready soonest.
    module SectionOrder
      KINDS = %w[piece hardest soonest introduced].freeze

      module_function

      # @param piece [PieceInHand] "section_order" of its choices is one of {KINDS}, or labels
      # @return [Hash{String => Integer}, nil] the turn of each section; nil where whatever
      #   makes it ready soonest goes first
      def turns(piece)
        said = piece.choices.fetch("section_order", "piece")
        return if said == "soonest"

        printed = in_order_of_the_piece(piece.progress.own)
        ((first(said, piece) & printed) | printed).each_with_index.to_h
      end

      # @param piece [PieceInHand]
      # @return [Array<String>] labels in the order of their turns; those first on which most of the
      #   rest depends, where it is to be ready soonest
      def sections(piece)
        turns = turns(piece) and return turns.keys

        steps = piece.progress.own
        in_order_of_the_piece(steps).sort_by.with_index { |label, at| [-waiting(label, steps), at] }
      end

      # @param map [Score::Map]
      # @return [Array<String>] labels, the hardest first
      def by_difficulty(map) =
        map
          .sections
          .sort_by
          .with_index { |one, at| [-(one.difficulty || Constants::DIFFICULTY), at] }
          .map(&:label)

      # @param choices [Hash{String => Object}]
      # @param map [Score::Map]
      # @return [Hash{String => Object}] with what the order follows from, so that lists need no
      #   page
      def settled(choices, map)
        if choices["section_order"] == "hardest"
          choices.merge("by_difficulty" => by_difficulty(map))
        else
          choices.except("by_difficulty")
        end
      end

      def first(said, piece)
        case said
        when Array
          said
        when "hardest"
          piece.choices["by_difficulty"].to_a
        when "introduced"
          piece.progress.introduced_in_order
        else
          []
        end
      end

      # How many steps elsewhere rest on a section, directly or not.
      def waiting(label, steps)
        resting, found = [], steps.select { |step| step.section == label }
        until found.empty?
          ids = found.map(&:id)
          found =
            (steps - resting).select { |step| (step.needs & ids).any? && step.section != label }
          resting |= found
        end
        resting.size
      end

      def in_order_of_the_piece(steps)
        steps
          .select(&:section)
          .group_by(&:section)
          .min_by(steps.size) { |_, all| all.flat_map(&:spans).map(&:from).min }
          .map(&:first)
      end
      private_class_method :first, :waiting, :in_order_of_the_piece
    end
  end
end
