# frozen_string_literal: true

module Stairwell
  module Studio
    # What an act of a teacher or a family comes to, in values: the record as it is
    # then, and what is to be kept of it. Nothing of it is kept yet.
    #
    # - `added`: rows of what happened, by kind: :results, :marks, :introductions,
    #   :simplifications; each a Hash of the table's columns
    # - `week`: Planning::PlannedWeek that was planned, nil where none was
    # - `pieces`: {PieceInHand} whose choices or steps changed; `ended` {id => [how,
    #   keep_for]}, how nil where it is taken up again; `assigned` {PieceInHand}
    # - `student`: {Student} where days, minutes or what may begin changed
    # - `held`: {Progress::Tempos#to_h} as they are when a piece ends
    # - `overrides`: [next lesson, WeekOverrides as seen, Array<Planning::Override>]
    # - `layers`: {piece id => script} of changes on the student's own page
    # - `appointments`: {Appointment} as they are now, each with the version that was seen
    # - `extra_work`: [:add, :change or :finish, {ExtraWork}] pairs
    # - `former`: {assignment id => {Former}, or nil where it was taken back}
    # - `promised`: {assignment id => Outlook} dates that are shown with it
    # - `told`: what is said about it, in words or values
    Change =
      Stairwell.value(
        :record,
        added: {
        },
        week: nil,
        pieces: [],
        assigned: [],
        ended: {
        },
        student: nil,
        overrides: nil,
        layers: {
        },
        extra_work: [],
        appointments: [],
        promised: {
        },
        former: {
        },
        told: nil,
        held: nil
      ) do
        # @return [Boolean] whether there is anything to keep
        def none? =
          [added, pieces, assigned, ended, layers, extra_work, appointments].all?(&:empty?) &&
            [week, student, overrides].none?

        # @param from [Date, nil] the first day that may be practised; by itself, that
        #   of the student
        # @return [Change] with the week that follows from it
        def planned(from: record.first_day)
          week = PlanWeek.anew(record, from: from)
          with(week: week, record: record.with(weeks: record.weeks.with(week)))
        end

        # @return [Change] in which what was not begun begins at the tempo that holds by now
        def at_held_tempos
          tempos = record.tempos
          moved =
            record.pieces.filter_map do |piece|
              steps = tempos.on(piece.progress.own, piece.progress)
              piece.with_steps(steps) unless steps == piece.progress.own
            end
          with(
            record: moved.inject(record, :with_piece),
            pieces: [*pieces.reject { |one| moved.any? { |piece| piece.id == one.id } }, *moved]
          )
        end

        # @return [Change] with the dates that are promised as things are then
        def promising = with(promised: Outlooks.new(record).to_h)
      end
  end
end
