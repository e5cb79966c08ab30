# frozen_string_literal: true

module Stairwell
  module Studio
    # The steps a piece gives a student, from its page, a routine, and what was
    # chosen.
    module Assigned
      # What a teacher chooses beside routine, hand and tempo.
      CHOSEN = %w[
        join
        pedal
        articulation_by
        dynamics_by
        memory
        order
        section_order
        repeats
        fermata
      ].freeze
      # What may be changed under way: those, and sections that are left out.
      CHANGED = [*CHOSEN, "without"].freeze

      module_function

      # @param map [Score::Map]
      # @param piece [PieceInHand, Assignment] with its choices
      # @param routine [Practice::Routine]
      # @param tempos [Progress::Tempos] that the student holds
      # @return [Array<Practice::Step>] what was begun at the tempo it has
      # @raise [ContradictionError] when there is no section to learn
      def steps(map, piece, routine, tempos)
        steps = Practice.steps(page(map, piece.choices), routine: routine, choices: choices(piece))
        tempos.on(steps, (piece.progress if piece.respond_to?(:progress)))
      end

      # @param choices [Hash{String => Object}]
      # @return [Score::Map] without the sections this student leaves out, and with what the
      #   studio knew of it beforehand
      def page(map, choices)
        left_out = choices["without"].to_a
        if left_out.any?
          map = map.with(sections: map.sections.reject { |one| left_out.include?(one.label) })
        end
        KnownOfPage.on(map, choices)
      end

      # @return [Practice::Choices] with the pace the student had when the piece was
      #   assigned
      def choices(piece)
        chosen =
          piece
            .choices
            .slice(
              *CHOSEN - %w[section_order],
              "learnt_at",
              "most_strenuous",
              "counting",
              "texture"
            )
            .transform_keys(&:to_sym)
        order = chosen.delete(:order).to_a.map(&:to_sym)
        chosen.transform_values! { |value| value.is_a?(String) ? value.to_sym : value }
        # Who decides was once said of both together.
        chosen[:dynamics_by] ||= chosen[:articulation_by] if chosen[:articulation_by]
        Practice::Choices.new(
          hand_order: piece.hand_order.to_sym,
          target_tempo: piece.target_tempo.to_r,
          pace: Rational(piece.choices["pace"] || 1),
          order: order,
          **chosen
        )
      end
    end
  end
end
