# frozen_string_literal: true

module Stairwell
  module Progress
    # One tap on the sheet. `kind` is :repetition, :struggle or :undo; `key`
    # names the mark, `undoes` the mark an undo takes back. `date` is the day
    # it is for, in the studio's time zone; `at` when it was made.
    Mark = Stairwell.value(:key, :step_id, :date, :kind, :at, undoes: nil)

    # What was heard at a lesson: :not_heard, :not_yet, :shaky, :steady or
    # :secure. The last one said for a step on a day holds.
    LessonResult = Stairwell.value(:step_id, :date, :result, :at, key: nil)

    # How a step that did not go is made smaller, see {Practice::Simplification}: `form`
    # is :none where the teacher declined it. The last one said holds.
    Simplified = Stairwell.value(:step_id, :form, :at, bar: nil, key: nil)

    # That the teacher asked for so many repetitions of a step on a day, where
    # they are others than the step's own.
    Asked = Stairwell.value(:step_id, :date, :repetitions)

    # A section, or a stage that opens when it is shown, introduced at a lesson (or
    # taken back). The last one said holds.
    Introduction = Stairwell.value(:what, :introduced, :at, key: nil)

    RESULTS = %i[not_heard not_yet shaky steady secure].freeze
    MARK_KINDS = %i[repetition struggle undo].freeze

    # @param marks [Array<Mark>]
    # @return [Array<Mark>] those that were not taken back; the same key counts
    #   once, and an undo that arrives before its mark still takes it back
    def self.lasting(marks)
      undone = marks.select { |mark| mark.kind == :undo }.map(&:undoes)
      marks.reject { |mark| mark.kind == :undo || undone.include?(mark.key) }.uniq(&:key)
    end
  end
end
