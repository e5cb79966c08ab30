# frozen_string_literal: true

module Stairwell
  module Studio
    # Assigns a piece to a student, or says what that would come to.
    class Assign
      # What assigning would come to: by itself (`finish`), and beside the other pieces.
      Preview =
        Stairwell.value(:steps, :finish, :outlook, :target_tempo, :introduce_first, :beforehand)

      # @param record [Record]
      # @param asked [Assignment]
      def initialize(record, asked)
        @record = record
        @asked = asked
      end

      # @param id [Integer] of the new assignment
      # @param key [String] for the introduction of its first section
      # @return [Change]
      # @raise [RefusedError] when the student has the piece, or it has no section
      def call(id:, key:)
        if @record.pieces.any? { |one| one.piece_id == @asked.piece_id }
          raise RefusedError.new(
                  Phrase["studio.assign.this_student_already_has_this_piece"],
                  code: :assigned_already,
                  field: "piece_id"
                )
        end

        piece, first = begun(id, key)
        row = { key: key, assignment_id: id, what: first, introduced: true, day: @record.today }
        Change
          .new(
            record: @record.with(pieces: @record.pieces + [piece]),
            assigned: [piece],
            added: first ? { introductions: [row] } : {}
          )
          .planned
          .promising
      end

      # @return [Preview]
      # @raise [RefusedError]
      def preview
        piece, = begun(NEXT, nil)
        load = Workload.new(@record.with(pieces: []))
        finish =
          Planning.finish(
            **load.plan,
            tasks:
              piece.tasks(
                progress: Progress.piece(steps, []),
                timing: @record.timing.within(load.practice.most)
              )
          )
        outlook = Outlooks.new(@record.with(pieces: @record.pieces + [piece])).to_h.fetch(NEXT)
        Preview.new(
          beforehand: KnownOfPage.words(@asked.page.map, @asked.known),
          steps: steps,
          finish: finish,
          outlook: outlook,
          target_tempo: target_tempo,
          introduce_first: introduce_first
        )
      end

      private

      # Above the numbers of all others, as the next one's will be.
      NEXT = 2**62
      private_constant :NEXT

      # @return [Array(PieceInHand, String)] with its first section, which is shown when it is
      #   assigned, where sections wait for that
      def begun(id, key)
        piece = piece(id, steps)
        return piece, nil unless piece.introduce_first && (first = first_section(piece))

        [
          piece.after(
            Progress::Introduction.new(what: first, introduced: true, at: @record.moment, key: key)
          ),
          first
        ]
      end

      def first_section(piece) =
        piece.progress.own.filter_map(&:section).first || piece.progress.own.first&.parts&.first

      def introduce_first =
        @asked.introduce_first.nil? ? @record.student.introduce_first : @asked.introduce_first

      def piece(id, steps)
        PieceInHand.new(
          id: id,
          **@asked.to_h.slice(
            :piece_id,
            :title,
            :revision,
            :routine,
            :hand_order,
            :due_on,
            :priority,
            :page,
            :key
          ),
          target_tempo: target_tempo,
          newest_revision: @asked.revision,
          newest_page: @asked.page,
          assigned_on: @record.today,
          introduce_first: introduce_first,
          choices: choices,
          progress: Progress.piece(steps, [], introduce_first: introduce_first)
        )
      end

      def choices
        @choices ||=
          SectionOrder.settled(@asked.choices, @asked.page.map).merge(
            @asked.beforehand ? @asked.known : {},
            "pace" => @record.pace.to_s,
            "target_by" => @asked.target_by.to_s,
            "target_said" => @asked.target_tempo,
            "counting" => @record.student.counting,
            "most_strenuous" =>
              Constants::MOST_STRENUOUS.fetch(@record.student.child? ? :child : :other)
          )
      end

      def target_tempo
        @target_tempo ||=
          Practice::TargetTempo.of(
            (@asked.page.map unless @asked.target_by == :number),
            by: @asked.target_by,
            value: @asked.target_tempo
          )
      rescue ContradictionError => error
        raise RefusedError.new(error.message, code: :no_mark, field: "target_tempo")
      end

      def steps
        @steps ||=
          Assigned.steps(
            @asked.page.map,
            @asked.with(target_tempo: target_tempo, choices: choices),
            @record.routine(@asked.routine),
            @record.tempos
          )
      rescue ContradictionError => error
        raise RefusedError.new(error.message, code: :no_steps, field: "piece_id")
      end
    end
  end
end
