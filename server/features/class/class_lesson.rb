# frozen_string_literal: true

module Stairwell
  module Server
    module Features
      # The lesson of a class on one screen: members down, criteria and steps across.
      class ClassLesson
        # @param context [StudioContext]
        # @param id [Integer] of the class
        def initialize(context, id)
          @context = context
          @id = id
        end

        # @return [Hash] see the contract's ClassLesson
        # @raise [MissingError]
        def show
          read = ClassRead.of(@context, @id)
          table, finished =
            @context.read do |tables|
              [
                Timetable.read(tables, @context, @context.today..@context.today),
                Repositories::Lessons.new(tables, @context).finished_today
              ]
            end
          records =
            Repositories::Records.new(@context).load(
              read.members.map { |row| row[:id] },
              pages: false
            )
          ClassLessonJson.new(read, records, table.on(@context.today), finished, @context).to_h
        end

        # @return [Hash] {student_id:, result:, state:, changed:}
        # @raise [MissingError] for who is no member
        # @raise [Problem] 403
        def hear(student_id:, result:, **said)
          member!(student_id)
          change =
            Repositories::Changes
              .new(@context)
              .act(student_id) { |record| Studio.hear(record, result: result.to_sym, **said) }
          _, standing = change.record.step(said[:assignment_id], said[:step_id])
          {
            student_id: student_id,
            result: change.record.heard_today[[said[:assignment_id], said[:step_id]]]&.result&.to_s,
            state: standing.state.to_s,
            changed: change.told.to_a
          }
        end

        # Finishes the lesson of everyone who came, and sends recaps to who has an address.
        # @param send_mail [Boolean]
        # @return [Hash] see the contract's ClassLesson
        def finish(send_mail:)
          lesson = show
          lesson[:members].each do |one|
            if one[:finished] || one[:lesson].nil? ||
                 %w[missed excused].include?(one[:lesson][:attendance]) ||
                 !one[:may].include?(:hear)
              next
            end

            FinishLesson.new(@context, one[:id]).call(send_mail: send_mail && one[:addressed])
          end
          show
        end

        private

        def member!(student_id)
          @context.read do |tables|
            row = Repositories::Students.new(tables).find(student_id)
            unless row[:class_name] == Repositories::Classes.new(tables).find(@id)[:name]
              raise MissingError, Phrase["missing.unit_member"]
            end

            Rights.with_student!(@context, tables, row, :hear)
          end
        end
      end
    end
  end
end
