# frozen_string_literal: true

module Stairwell
  module Server
    module Models
      # What a teacher showed at lessons, and how steps that did not go are made
      # smaller. Both are only added to; the last word holds.
      class Shown
        def initialize(desk)
          @desk = desk
        end

        # @param what [String] a section's letter, or the key of a stage that opens
        #   when it is shown
        # @param key [String] from the client; the same one twice counts once
        # @return [void]
        def add(student_id, assignment_id, what, introduced, key: SecureRandom.uuid)
          @desk.db[:introductions].insert_conflict.insert(
            **who(student_id, assignment_id, key), what: what, introduced: introduced, day: @desk.today
          )
        end

        # @param form [String] of {Practice::Simplification::FORMS}, or "none"
        # @return [void]
        def ease(student_id, assignment_id, step_id, form, key:, bar: nil)
          @desk.db[:simplifications].insert_conflict.insert(**who(student_id, assignment_id, key), step_id: step_id, form: form, bar: bar)
        end

        private

        def who(student_id, assignment_id, key)
          {studio_id: @desk.studio_id, student_id: student_id, assignment_id: assignment_id, key: key, made_by: @desk.account_id}
        end
      end
    end
  end
end
