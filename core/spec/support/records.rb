# frozen_string_literal: true

# A student's record with one piece in hand, as it was read from nowhere.
module Records
  WEDNESDAY = Date.new(2027, 3, 3)

  # @param today [Date]
  # @param settings [Hash] of the student
  # @return [Stairwell::Studio::Record]
  def record(today: WEDNESDAY, holidays: [], appointments: [], **settings)
    student =
      Stairwell::Studio::Student.new(
        id: 1,
        name: "Nell",
        practice_days: [0, 1, 4, 5, 6],
        minutes_a_day: 20,
        begin_per_day: 2,
        lesson_weekday: 3,
        lesson_time: "16:30",
        hand_order: "right",
        **settings
      )
    map = page("title: The Lock Gate\nbars: 12\ntempo: target 76\nsection A: 1-4\nsection B: 5-12")
    piece =
      Stairwell::Studio::PieceInHand.new(
        id: 7,
        piece_id: 1,
        title: "The Lock Gate",
        revision: 1,
        routine: "hand_by_hand",
        hand_order: "right",
        target_tempo: 76,
        assigned_on: today,
        progress: Stairwell::Progress.piece(Stairwell::Practice.steps(map), []),
        page:
          Stairwell::Studio::Page.new(document: JSON.generate(Stairwell::Score::Document.dump(map)))
      )
    Stairwell::Studio::Record.new(
      today: today,
      moment: today.to_time,
      settings: Stairwell::Studio::Settings.new(name: "Quay Street", holidays: away(*holidays)),
      student: student,
      pieces: [piece],
      appointments: appointments
    )
  end

  # @param stretches [Array<Hash>] from:, to:, practice:
  # @return [Stairwell::Planning::Away]
  def away(*stretches) = Stairwell::Planning::Away.load(stretches)
end
