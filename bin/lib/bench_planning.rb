# frozen_string_literal: true

# What planning takes for bin/bench, against its bounds and against less of it.
module BenchPlanning
  private

  # What the planner may take: milliseconds in-process. The bounds we set ourselves.
  WEEK, FORECAST = 0.050, 0.500

  # One student's week over three pieces, and a forecast of them; beside the bounds
  # and beside making the steps.
  def planning
    map =
      Stairwell::Formats::PageScript.read!(
        [
          Stairwell::Formats::PageScript.write(Demo::Pieces.slow_ferry.map),
          *Demo::Pieces.slow_ferry.sections.map { |one| "section #{one}" }
        ].join("\n")
      )
    progress = Stairwell::Progress.piece(Stairwell::Practice.steps(map), [])
    tasks = (1..3).flat_map { |piece| progress.tasks(prefix: "#{piece}/") }
    practice =
      Stairwell::Planning::Practice.new(weekdays: [0, 3, 4, 5, 6], minutes: 20r, begin_per_day: 2)
    from = Date.new(2027, 3, 3)
    all = { tasks: tasks, practice: practice, from: from, next_lesson: from + 6 }
    week = median { Stairwell::Planning.week(**all) }
    row("plan a week (three pieces, #{tasks.size} steps)", week, WEEK, "the bound of 50 ms")
    row(
      "a forecast of 200 futures of them",
      median { Stairwell::Planning.forecast(**all) },
      FORECAST,
      "the bound of half a second"
    )
    row(
      "making the steps of one of them",
      median { Stairwell::Practice.steps(map) },
      week,
      "planning the week of three"
    )
    ten(progress, all)
    large
  end

  # Ten pieces beside one: a week may cost twelve times, a forecast ten times as much.
  def ten(progress, all)
    one, ten =
      [1, 10].map do |count|
        all.merge(tasks: (1..count).flat_map { |piece| progress.tasks(prefix: "#{piece}/") })
      end
    { "a week" => [:week, 12], "a forecast" => [:forecast, 10] }.each do |name, (what, times)|
      ours, theirs =
        [ten, one].map { |work| median { Stairwell::Planning.public_send(what, **work) } }
      row(
        "#{name} of ten pieces, #{ten[:tasks].size} steps",
        ours,
        theirs,
        "one piece, #{one[:tasks].size} steps; at most #{times} ×"
      )
    end
  end

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
