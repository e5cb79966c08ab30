# frozen_string_literal: true

require_relative "studio/keeping"
require_relative "studio/lesson_time"
require_relative "studio/appointment"
require_relative "studio/timetable"
require_relative "studio/student"
require_relative "studio/page"
require_relative "studio/figures"
require_relative "studio/piece_in_hand"
require_relative "studio/weeks"
require_relative "studio/asked"
require_relative "studio/settings"
require_relative "studio/extra_work"
require_relative "studio/kept_piece"
require_relative "studio/heard_today"
require_relative "studio/week_overrides"
require_relative "studio/record"
require_relative "studio/workload"
require_relative "studio/row_work"
require_relative "studio/planned_weeks"
require_relative "studio/plan_week"
require_relative "studio/week_change"
require_relative "studio/practised"
require_relative "studio/day_box"
require_relative "studio/week_boxes"
require_relative "studio/lesson_step"
require_relative "studio/reached_steps"
require_relative "studio/lesson_steps"
require_relative "studio/assigned"
require_relative "studio/backwards"
require_relative "studio/ways_out"
require_relative "studio/demands"
require_relative "studio/suits"
require_relative "studio/outlook"
require_relative "studio/section_order"
require_relative "studio/outlooks"
require_relative "studio/promised"
require_relative "studio/concerns"
require_relative "studio/climb"
require_relative "studio/past_week"
require_relative "studio/past_step"
require_relative "studio/past_weeks"
require_relative "studio/beat"
require_relative "studio/step_place"
require_relative "studio/picture_page"
require_relative "studio/picture_line"
require_relative "studio/starting_key"
require_relative "studio/cautions_of_days"
require_relative "studio/tapped"
require_relative "studio/set_aside"
require_relative "studio/sheet_item"
require_relative "studio/sheet_day"
require_relative "studio/sheet"
require_relative "studio/lesson_recap"
require_relative "studio/summary"
require_relative "studio/change"
require_relative "studio/other_score"
require_relative "studio/former"
require_relative "studio/take_over"
require_relative "studio/spot"
require_relative "studio/hear"
require_relative "studio/tick"
require_relative "studio/teach"
require_relative "studio/change_week"
require_relative "studio/assignment"
require_relative "studio/assign"
require_relative "studio/change_piece"
require_relative "studio/change_extra_work"
require_relative "studio/change_lesson"
require_relative "studio/stand_in"
require_relative "studio/due"
require_relative "studio/readiness"
require_relative "studio/introducing"
require_relative "studio/timed"
require_relative "studio/known_of_page"
require_relative "studio/bench"

module Stairwell
  # A student's record and what can be done to it. Every act of a teacher or a family
  # is a pure function: the record and a request in, a {Studio::Change} out. Whoever
  # calls it reads the record before and keeps the change after; in between there is
  # neither a database nor a clock.
  #
  # @example
  #   change = Studio.hear(record, assignment_id: 1, step_id: "A.right", result: :steady, key: key)
  #   change.week     # the week that follows
  #   change.told     # ["A, right hand: Sat instead of Thu, Fri"]
  #   change.record   # the record as it is then
  module Studio
    # @return [Change] see {Hear#call}
    def self.hear(record, **said) = Hear.new(record).call(**said)

    # @param ticked [Set<String>] keys of marks that were entered by a teacher
    # @return [Change] see {Tick#call}
    def self.tick(record, ticked: Set[], **said) = Tick.new(record, ticked).call(**said)

    # @return [Change] see {Teach#introduce}
    def self.introduce(record, **said) = Teach.new(record).introduce(**said)

    # @return [Change] see {Teach#simplify}
    def self.simplify(record, **said) = Teach.new(record).simplify(**said)

    # @return [Change] see {ChangeWeek#call}
    def self.change_week(record, **said) = ChangeWeek.new(record).call(**said)

    # Plans the days that are left again, from what was practised so far.
    # @param from [Date, nil] by itself, the student's first day
    # @return [Change]
    def self.plan(record, from: nil) =
      Change.new(record: record).planned(from: from || record.first_day)

    # The week under way as it is after missed days, to be kept.
    # @return [Change] none where it stands as it was planned
    def self.mend(record)
      week = PlanWeek.mended(record, record.week)
      if week.equal?(record.week)
        Change.new(record: record)
      else
        Change.new(record: record.with(weeks: record.weeks.with(week)), week: week)
      end
    end

    # @return [Change] see {Assign#call}
    def self.assign(record, asked, **ids) = Assign.new(record, asked).call(**ids)

    # @return [Change] see {ChangeLesson#call}
    def self.change_lesson(record, **said) = ChangeLesson.new(record).call(**said)

    # @return [Change] see {ChangeLesson#put_in}
    def self.put_lesson_in(record, **said) = ChangeLesson.new(record).put_in(**said)

    # @return [Change] see {ChangeLesson#came}
    def self.came(record) = ChangeLesson.new(record).came

    # Days, minutes or what else the student's settings hold are others now.
    # @param student [Student]
    # @return [Change]
    def self.change_student(record, student) =
      Change.new(record: record.with(student: student), student: student).planned

    # What is offered as the result of a step, from what was counted.
    # @return [Progress::Offer::Offered]
    # @raise [MissingError]
    def self.offer(record, assignment_id:, step_id:, stumbles:, tempo: nil)
      piece, standing = record.step(assignment_id, step_id)
      step = standing.step
      Progress::Offer.of(
        stumbles: stumbles,
        bars: step.spans.sum(&:size),
        tempo: tempo,
        target_tempo: step.tempo,
        date: record.today,
        earlier: piece.progress.results_of(step_id)
      )
    end
  end
end
