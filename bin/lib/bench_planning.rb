# frozen_string_literal: true

# What planning takes for bin/bench, against its bounds and against less of it.
module BenchPlanning
  private

  # What the planner may take, in seconds in-process. The bounds we set ourselves.
  WEEK, RESULT, FORECAST = 0.050, 0.100, 0.500
  # Ten pieces may take so many times what one does.
  TEN = 12

  # One student's week in rows over three pieces, what follows from a result, and when the pieces
  # are ready; beside the bounds and beside making the steps.
  def planning
    record = student_with(3)
    steps = record.pieces.sum { |piece| piece.progress.steps.size }
    week = median { Stairwell::Studio::Workload.new(record).planned_week }
    row("plan a week (three pieces, #{steps} steps)", week, WEEK, "the bound of 50 ms")
    row(
      "a result, with the week that follows",
      median { heard(record) },
      RESULT,
      "the bound of 100 ms"
    )
    row(
      "when three pieces are ready, 200 futures",
      median { Stairwell::Studio::Outlooks.new(record).to_h },
      FORECAST,
      "the bound of half a second"
    )
    row(
      "making the steps of one of them",
      median { Stairwell::Practice.steps(ferry) },
      week,
      "planning the week of three"
    )
    ten
    large
  end

  # Ten pieces beside one.
  def ten
    one, ten = [1, 10].map { |count| student_with(count) }
    {
      "a week" => ->(record) { Stairwell::Studio::Workload.new(record).planned_week },
      "when they are ready," => ->(record) { Stairwell::Studio::Outlooks.new(record).to_h }
    }.each do |name, work|
      ours, theirs = [ten, one].map { |record| median { work.call(record) } }
      row("#{name} of ten pieces", ours, theirs, "one piece; at most #{TEN} ×")
    end
  end

  def heard(record)
    piece = record.pieces.first
    Stairwell::Studio.hear(
      record,
      assignment_id: piece.id,
      step_id: piece.progress.steps.first.id,
      result: :steady,
      key: "result"
    )
  end

  def ferry
    @ferry ||=
      Stairwell::Formats::PageScript.read!(
        [
          Stairwell::Formats::PageScript.write(Demo::Pieces.slow_ferry.map),
          *Demo::Pieces.slow_ferry.sections.map { |one| "section #{one}" }
        ].join("\n")
      )
  end

  # @param count [Integer] of pieces
  # @return [Stairwell::Studio::Record]
  def student_with(count)
    today = Date.new(2027, 3, 3)
    steps = Stairwell::Practice.steps(ferry)
    pieces =
      (1..count).map do |id|
        Stairwell::Studio::PieceInHand.new(
          id: id,
          piece_id: id,
          title: "#{ferry.title} #{id}",
          revision: 1,
          routine: "hand_by_hand",
          hand_order: "right",
          target_tempo: 76,
          assigned_on: today,
          progress: Stairwell::Progress.piece(steps, [])
        )
      end
    Stairwell::Studio::Record.new(
      today: today,
      moment: today.to_time,
      settings: Stairwell::Studio::Settings.new(name: "Quay Street"),
      student: student,
      pieces: pieces
    )
  end

  def student =
    Stairwell::Studio::Student.new(
      id: 1,
      name: "Nell",
      practice_days: [0, 1, 4, 5, 6],
      minutes_a_day: 30,
      begin_per_day: 2,
      lesson_weekday: 3,
      lesson_time: "16:30",
      hand_order: "right"
    )

  # Large cases of forty steps: practice days to the end beside the lower bound.
  def large
    random = Random.new(5)
    days =
      Array
        .new(60) { forty(random) }
        .map do |tasks|
          practice =
            Stairwell::Planning::Practice.new(
              weekdays: [1, 2, 4, 5, 6],
              minutes: 30r,
              begin_per_day: 3
            )
          Stairwell::Planning.finish(
            tasks: tasks,
            practice: practice,
            from: Date.new(2027, 3, 3),
            next_lesson: Date.new(2027, 3, 10)
          )
        end
    ours, bound = days.sum(&:days), days.sum(&:lower_bound)
    puts format(
           "%-52s %9d days %9d days %8.3f ×  %s",
           "to finish forty steps, 60 cases together",
           ours,
           bound,
           ours / bound.to_f,
           "their lower bounds"
         )
  end

  def forty(random)
    (1..40).map do |at|
      earlier = (1...at).map { |one| "s#{one}" }
      Stairwell::Planning::Task.new(
        id: "s#{at}",
        minutes: random.rand(2..10) / 2r,
        good_days: random.rand(1..4),
        needs: earlier.last(8).sample(random.rand(0..2), random: random)
      )
    end
  end
end
