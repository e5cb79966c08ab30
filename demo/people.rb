# frozen_string_literal: true

module Demo
  # The invented people of Harbour Steps Studio in the invented river port of
  # Netherquay.
  module People
    STUDIO = "Harbour Steps Studio"
    TIME_ZONE = "Europe/Lisbon"
    PASSWORD = "harbour-steps"
    CLASS = "Thursday evening"
    CLASS_TIME = [4, "19:30"].freeze
    # What the class is judged by.
    CRITERIA = [
      { key: "pulse", name: "Pulse", levels: ["stops", "holds in parts", "carries the piece"] },
      {
        key: "articulation",
        name: "Articulation",
        levels: ["not yet heard", "mostly heard", "as printed"]
      },
      { key: "how-far", name: "How far", levels: ["first part", "more than half", "to the end"] }
    ].freeze
    TEACHERS = [
      { name: "Ines Varga", email: "ines@harboursteps.example" },
      { name: "Tomas Ruel", email: "tomas@harboursteps.example" },
      { name: "Edda Lindqvist", email: "edda@harboursteps.example" }
    ].freeze

    # Whose guardian has not agreed yet that records are kept, and how long they are kept of those
    # who left.
    UNASKED = "Wren"
    KEEP_MONTHS = 24
    # Who has left.
    LEFT = "Ottoline"

    # What families wrote: who, so many days ago, what.
    MESSAGES = [
      ["Odile", 2, "The second part goes too fast for her. We did it at half the speed."],
      ["Odile", 1, "Grandmother's birthday today: only a short practice."],
      ["Mr Adeyo", 2, "My left wrist is tired after the long chords. Shall I go on?"],
      ["Wren", 1, "Is it right that we clap only?"]
    ].freeze

    # name, teacher, practice weekdays, minutes, steps to begin a day, lesson
    # weekday and time, first hand, routine; then the pieces they begin with (others
    # follow when those are passed), and how the student does: :well, :middling or
    # :stuck.
    STUDENTS = [
      [
        "Odile",
        0,
        [1, 2, 4, 5, 6],
        20,
        2,
        3,
        "16:30",
        "right",
        "hand_by_hand",
        %w[ropewalk the-slow-ferry two-gulls-arguing],
        :well
      ],
      [
        "Bram",
        0,
        [0, 1, 2, 4, 6],
        15,
        2,
        3,
        "17:00",
        "left",
        "hand_by_hand",
        %w[lantern-room ropewalk],
        :middling
      ],
      [
        "Ysolde",
        0,
        [1, 3, 5, 6],
        30,
        3,
        2,
        "18:15",
        "right",
        "shapes_first",
        %w[two-gulls-arguing the-long-jetty],
        :middling
      ],
      [
        "Pim",
        0,
        [0, 1, 2, 3, 4],
        10,
        2,
        5,
        "15:00",
        "right",
        "say_clap_play",
        %w[fog-signal lantern-room],
        :well
      ],
      [
        "Wren",
        0,
        [1, 3, 4, 6],
        15,
        2,
        3,
        "15:30",
        "right",
        "aspect_by_aspect",
        %w[fog-signal ropewalk],
        :middling
      ],
      [
        "Mr Adeyo",
        1,
        [1, 2, 3, 6],
        25,
        3,
        4,
        "18:00",
        "left",
        "hand_by_hand",
        %w[the-slow-ferry],
        :stuck
      ],
      [
        "Kasia",
        1,
        [0, 2, 4, 6],
        20,
        2,
        1,
        "16:00",
        "right",
        "by_ear",
        %w[ropewalk lantern-room fog-signal],
        :well
      ],
      [
        "Quillan",
        1,
        [1, 3, 5],
        20,
        3,
        6,
        "10:30",
        "right",
        "hand_by_hand",
        %w[lantern-room the-long-jetty],
        :stuck
      ],
      [
        "Sunniva",
        1,
        [0, 1, 3, 5],
        25,
        3,
        2,
        "17:00",
        "easier",
        "rhythm_first",
        %w[two-gulls-arguing the-slow-ferry],
        :well
      ],
      [
        "Jory",
        2,
        [2, 4, 6, 0],
        10,
        2,
        1,
        "15:30",
        "right",
        "say_clap_play",
        %w[fog-signal lantern-room],
        :stuck
      ],
      [
        "Mrs Aldous",
        2,
        [1, 2, 3, 4, 5],
        30,
        3,
        6,
        "11:15",
        "left",
        "whole_piece",
        %w[lantern-room the-slow-ferry],
        :middling
      ],
      [
        "Tilda",
        2,
        [1, 2, 4, 6],
        20,
        2,
        5,
        "16:15",
        "harder",
        "hand_by_hand",
        %w[ropewalk two-gulls-arguing],
        :well
      ],
      # The evening class: one piece a unit.
      *%w[Amos Britta Cosmo Delphine Eskil Fenna Gideon Hulda].each_with_index.map do |name, at|
        [
          name,
          2,
          [[1, 2, 4], [0, 1, 5, 6], [2, 4, 6]][at % 3],
          15 + 5 * (at % 2),
          3,
          4,
          "19:30",
          "right",
          "hand_by_hand",
          %w[lantern-room ropewalk],
          %i[well middling stuck middling][at % 4]
        ]
      end,
      [
        "Ottoline",
        1,
        [1, 3, 5],
        20,
        3,
        2,
        "15:30",
        "right",
        "hand_by_hand",
        %w[ropewalk],
        :middling
      ]
    ].freeze
  end
end
