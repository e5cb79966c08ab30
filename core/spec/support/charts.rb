# frozen_string_literal: true

# Weeks in rows, of pieces as they stand after a lesson, and their cells.
module Charts
  DAY = Date.new(2027, 3, 3)
  Rows = Stairwell::Rows
  Progress = Stairwell::Progress

  # @param text [String] a page script
  # @param events [Array] of {Stairwell::Progress}
  # @return [Stairwell::Rows::Piece]
  def piece(
    text,
    events = [],
    id: 1,
    routine: "hand_by_hand",
    introduce_first: false,
    target: 76,
    deadline: nil,
    **choices
  )
    map = page(text)
    steps =
      Stairwell::Practice.steps(
        map,
        routine: Stairwell::Practice::ROUTINES.fetch(routine),
        choices: Stairwell::Practice::Choices.new(target_tempo: target, **choices)
      )
    Rows::Piece.new(
      id: id,
      title: map.title,
      progress: Progress.piece(steps, events, introduce_first: introduce_first),
      turns: map.sections.map(&:label),
      deadline: deadline
    )
  end

  def heard(step, result = :steady, on: DAY, **more) =
    Progress::LessonResult.new(step_id: step, date: on, result: result, at: on.to_time, **more)

  def shown(*labels) =
    labels.map do |label|
      Progress::Introduction.new(what: label, introduced: true, at: DAY.to_time)
    end

  def line(kind, id, title, minutes = 1r, **more) =
    Rows::Beside.new(id: id, kind: kind, title: title, minutes: minutes, **more)

  # Twice.
  def fingers = line(:warm_up, "warm-up 1", "Five fingers", 2r)
  def old = line(:repertoire, "kept 1", "An old song")
  def sight = line(:sight_reading, "sight", "A new line")

  def week(pieces, days:, minutes:, child: false, reads: true, beside: [], rows: nil, **more) =
    Rows::Week.new(
      pieces,
      days: (1..days).map { |at| Rows::Day.new(date: DAY + at, minutes: minutes.to_r) },
      limits: Rows::Limits.usual(child: child, reads: reads, rows: rows),
      beside: beside,
      **more
    )

  def kinds(week) = week.rows.map(&:kind)

  # @return [Array<Rational>] of each day
  def minutes(week) =
    days(week).map { |day| week.rows.sum(0r) { |row| row.on(day).sum(0r, &:minutes) } }

  def days(week) = (1..week.rows.flat_map { |row| row.days.keys }.max).to_a

  def row(week, title, piece: nil) =
    week.rows.find { |row| row.title.to_s == title && (piece.nil? || row.piece&.id == piece) }

  # @return [Array<Array<Stairwell::Rows::Part>>] of each day
  def cells(week, title, **of) = days(week).map { |day| row(week, title, **of).on(day) }

  def stages(week, title, **of) =
    cells(week, title, **of).map { |parts| parts.map { |part| part.step.stage } }

  def times(week, title, **of) = cells(week, title, **of).map { |parts| parts.map(&:times) }

  # @return [Array<Array<Stairwell::Rows::Part>>] what joins sections of a piece, of each day
  def joins(week, piece)
    grow = week.rows.find { |row| row.kind == :grow && row.piece.id == piece }
    days(week).map { |day| grow.on(day).reject(&:in_a_run?) }
  end

  # @return [Array<String, nil>] what goes from the beginning, of each day
  def runs(week, piece)
    grow = week.rows.find { |row| row.kind == :grow && row.piece.id == piece }
    days(week).map { |day| grow.on(day).find(&:in_a_run?)&.title&.to_s }
  end
end
