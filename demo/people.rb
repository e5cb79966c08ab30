# frozen_string_literal: true

module Demo
  # The invented people of Harbour Steps Studio in the invented river port of
  # Netherquay.
  module People
    STUDIO = "Harbour Steps Studio"
    TIME_ZONE = "Europe/Lisbon"
    PASSWORD = "harbour-steps"
    TEACHERS = [
      {name: "Ines Varga", email: "ines@harboursteps.example"},
      {name: "Tomas Ruel", email: "tomas@harboursteps.example"}
    ].freeze

    # name, teacher, practice weekdays, minutes, steps to begin a day, lesson
    # weekday and time, first hand; then the pieces, and how the student does:
    # :well, :middling or :stuck.
    STUDENTS = [
      ["Odile", 0, [1, 2, 4, 5, 6], 20, 2, 3, "16:30", "right", %w[the-slow-ferry ropewalk], :well],
      ["Bram", 0, [0, 1, 2, 4, 6], 15, 2, 3, "17:00", "left", %w[lantern-room], :middling],
      ["Ysolde", 0, [1, 3, 5, 6], 30, 3, 2, "18:15", "right", %w[two-gulls-arguing the-long-jetty], :middling],
      ["Pim", 0, [0, 1, 2, 3, 4], 10, 2, 5, "15:00", "right", %w[fog-signal lantern-room], :well],
      ["Mr Adeyo", 1, [1, 2, 3, 6], 25, 3, 4, "19:00", "left", %w[the-slow-ferry], :stuck],
      ["Kasia", 1, [0, 2, 4, 6], 20, 2, 1, "16:00", "right", %w[ropewalk], :well],
      ["Leopold", 1, [1, 3, 5], 20, 3, 6, "10:30", "right", %w[lantern-room], :stuck]
    ].freeze
  end
end
