# frozen_string_literal: true

module Stairwell
  module Studio
    # What a teacher decides about a student's sections and steps: what was
    # introduced, and how a step that did not go is made smaller.
    class Teach
      # @param record [Record]
      def initialize(record)
        @record = record
      end

      # A section was shown at a lesson, or that is taken back.
      #
      # @param what [String] a section's letter, or the key of a stage
      # @param key [String] from the client; the same one twice counts once
      # @return [Change]
      # @raise [MissingError] for what waits for no introduction in this piece
      def introduce(assignment_id:, what:, introduced:, key:)
        piece = @record.piece(assignment_id)
        unless piece.progress.introductions.any? { |name, _| name == what }
          raise MissingError, Phrase["missing.section_to_introduce"]
        end

        event =
          Progress::Introduction.new(
            what: what,
            introduced: introduced,
            at: @record.moment,
            key: key
          )
        today = introduced ? @record.introduced_today | [what] : @record.introduced_today - [what]
        added(
          piece,
          event,
          :introductions,
          { what: what, introduced: introduced, day: @record.today },
          introduced_today: today
        )
      end

      # @param form [Symbol] of {Practice::Simplification::FORMS}, or :none
      # @return [Change]
      # @raise [MissingError, RefusedError]
      def simplify(assignment_id:, step_id:, form:, key:, bar: nil)
        piece = @record.piece(assignment_id)
        step =
          piece.progress.troubled.find { |one| one.id == step_id } ||
            raise(MissingError, Phrase["missing.troubled_step"])
        unless offered?(step, form, bar)
          raise RefusedError.new(
                  Phrase["studio.teach.cannot_be_made_smaller_in_that", title: step.title],
                  code: :form,
                  field: "form"
                )
        end

        event =
          Progress::Simplified.new(
            step_id: step_id,
            form: form,
            at: @record.moment,
            bar: bar,
            key: key
          )
        added(piece, event, :simplifications, { step_id: step_id, form: form.to_s, bar: bar })
      end

      private

      def offered?(step, form, bar) =
        form == :none ||
          Practice::Simplification.forms(step).any? { |one| one.form == form && one.bar == bar }

      def added(piece, event, kind, row, **changes)
        return Change.new(record: @record) if @record.known_keys.include?(event.key)

        record =
          @record.with_piece(piece.after(event)).with(
            known_keys: @record.known_keys | [event.key],
            **changes
          )
        Change.new(
          record: record,
          added: {
            kind => [{ key: event.key, assignment_id: piece.id, **row }]
          }
        ).planned
      end
    end
  end
end
