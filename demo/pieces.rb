# frozen_string_literal: true

require_relative "notation"
require_relative "voice"

module Demo
  # The demo's method-book pieces. Titles, tunes and books are invented; each is
  # composed here and goes through the same reader as a user's file.
  module Pieces
    # `map` holds the notes; `sections` is the page script a teacher adds; `words` are sung above
    # the piano to the tune of the right hand, a syllable a note.
    Piece =
      Struct.new(:file, :map, :sections, :words, keyword_init: true) do
        # @return [String] MusicXML
        def score
          text = Stairwell::Formats::MusicXML.write(map)
          words ? Voice.new(map, words).above(text) : text
        end
      end

    module_function

    # Fingers a teacher would write over the first note of each section: the thumb,
    # or the little finger of the left hand, on the lowest key of the position.
    # @param map [Stairwell::Score::Map]
    # @param sections [Array<String>] statements without their first word
    # @return [Array<String>] statements
    def starts(map, sections)
      sections.flat_map do |one|
        name = one[/: (\d+)/, 1]
        index = map.bars.index { |bar| bar.name == name } + 1
        %i[right left].filter_map { |hand| start(map, hand, index, name) }
      end
    end

    def start(map, hand, index, name)
      bars = (index..[index + 1, map.bars.size].min).to_a
      notes = bars.flat_map { |bar| map.notes.dig(bar, hand).to_a }.reject(&:tied)
      first =
        notes.min_by do |note|
          [
            bars.index { |bar| map.notes.dig(bar, hand).to_a.include?(note) },
            note.onset,
            note.pitch.midi
          ]
        end
      return if first.nil? || !map.notes.dig(index, hand).to_a.include?(first)

      up = (first.pitch.staff_step - notes.map { |note| note.pitch.staff_step }.min).clamp(0, 4)
      "start #{hand}#{" at #{name}" unless index == 1}: finger #{(hand == :right) ? 1 + up : 5 - up} on #{first.pitch}"
    end

    # @return [Array<Piece>]
    def all =
      [
        lantern_room,
        slow_ferry,
        ropewalk,
        two_gulls,
        fog_signal,
        long_jetty,
        night_barge,
        market_morning
      ]

    # Those that ship to be tried on, from easy to less easy; bin/lib/examples.rb writes them.
    # @return [Array<Piece>]
    def examples = [lantern_room, slow_ferry, ropewalk]

    def lantern_room
      theme = "C4q D4q E4q G4q | E4h D4h | C4q D4q E4q C4q"
      middle = "G4q F4q E4q D4q | E4h G4h | A4q G4q F4q E4q | D4w"
      right = [theme, "D4w", theme, "C4w", middle, theme, "C4w"].join(" | ")
      bass = "C3w | G2h B2h | C3h A2h"
      left = [bass, "G2w", bass, "C3w", "C3h G2h | C3w | F2h A2h | G2w", bass, "C3w"].join(" | ")
      piece(
        "lantern-room",
        right,
        left,
        title: "Lantern Room",
        book: "Tidewater Primer 1",
        level: "1",
        meter: [4, 4],
        key: "C major",
        pages: {
          8 => [4, 4, 4, 4]
        },
        tempo: ["Calmly", 96, 72],
        repeats: [[1, 8]],
        sections: ["A: 1-4", "A1: 5-8 like A except 8", "B: 9-12", "A2: 13-16 like A except 16"]
      )
    end

    def slow_ferry
      a = "D4q | G4h A4q | B4h D5q | C5q B4q A4q"
      b = "G4q A4q B4q | C5h A4q | F#4q G4q A4q | B4h."
      c = "D5q C5q B4q | E5h D5q | C5q B4q A4q | B4h G4q"
      right = [
        a,
        "D4h.",
        a.sub(/\AD4q \| /, ""),
        "G4h.",
        b,
        Notation.moved(b, 1, Stairwell::Score::Key.parse("G major")),
        c,
        "A4q B4q C5q | D5h.",
        "A4q F#4q D4q | G4h."
      ].join(" | ")
      a_left = "G2h. | G2h D3q | F#2h A2q"
      b_left = "E3+G3h. | C3+E3h. | D3+F#3h. | G2+D3h."
      c_left = "G3+B3h. | C3+G3h. | D3+F#3h. | G2+D3h."
      left = [
        "-q",
        a_left,
        "D3h.",
        a_left,
        "G2h D3q",
        b_left,
        Notation.moved(b_left, 1, Stairwell::Score::Key.parse("G major")),
        c_left,
        "D3h. | D3+F#3h.",
        "D3h. | G2h"
      ].join(" | ")
      right = right.sub(/G4h\.\z/, "G4h")
      piece(
        "the-slow-ferry",
        right,
        left,
        title: "The Slow Ferry",
        book: "Tidewater Primer 2",
        level: "2",
        meter: [3, 4],
        key: "G major",
        pickup: 1,
        pages: {
          12 => [4, 4, 4, 4],
          13 => [4, 4]
        },
        tempo: ["Andante", 92, 76],
        repeats: [[10, 23]],
        endings: [[[1], 22, 23], [[2], 24, 25]],
        sections: [
          "A: 0-4",
          "A1: 5-8 like A except 5, 8",
          "B: 9-12",
          "B1: 13-16 like B moved",
          "C: 17-20",
          "D: 21-22",
          "E: 23-24 like D except 24"
        ]
      )
    end

    def ropewalk
      walk = "F4e G4e A4e B4e | C5q A4q | G4e A4e G4e F4e"
      right = [
        walk,
        "G4h",
        walk,
        "F4h",
        "C5q D5q | C5q A4q | D5e C5e B4e A4e | G4h",
        walk,
        "F4q G4q",
        "A4e G4e F4e E4e | F4h"
      ].join(" | ")
      right = right.gsub("B4", "Bb4")
      steps = "F3q C3q | A2q F2q | C3q E3q"
      left = [
        steps,
        "C3h",
        steps,
        "F2h",
        "A2q F2q | A2q C3q | Bb2q C3q | C3h",
        steps,
        "F2q C3q",
        "C3q C3q | F2h"
      ].join(" | ")
      piece(
        "ropewalk",
        right,
        left,
        title: "Ropewalk",
        book: "Tidewater Primer 2",
        level: "2",
        meter: [2, 4],
        key: "F major",
        pages: {
          16 => [4, 4, 4, 6]
        },
        tempo: ["Steadily", 104, 88],
        repeats: [[1, 8], [9, 18]],
        sections: [
          "A: 1-4",
          "A1: 5-8 like A except 8",
          "B: 9-12",
          "A2: 13-16 like A except 16",
          "C: 17-18"
        ]
      )
    end

    def two_gulls
      cry = "D5q. A4q. | F5e E5e D5e A4q. | D5q. A4q. | C5e Bb4e A4e G4q."
      answer = "A4e G4e F4e E4q D4e | E4q. A4q. | A4e G4e F4e E4q D4e"
      right = [cry, answer, "A4h.", cry, answer, "D4h."].join(" | ")
      left =
        (
          [
            "D3q. F3q. | D3q. F3q. | D3q. F3q. | G2q. Bb2q.",
            "A2q. C#3q. | A2h. | A2q. C#3q.",
            "A2h."
          ] +
            [
              "D3q. F3q. | D3q. F3q. | D3q. F3q. | G2q. Bb2q.",
              "A2q. C#3q. | A2h. | A2q. C#3q.",
              "D3h."
            ]
        ).join(" | ")
      piece(
        "two-gulls-arguing",
        right,
        left,
        title: "Two Gulls Arguing",
        book: "Tidewater Primer 3",
        level: "3",
        meter: [6, 8],
        key: "D minor",
        pages: {
          21 => [4, 4],
          22 => [4, 4]
        },
        tempo: ["Quarrelling", 66, 54],
        mark_unit: 3 / 8r,
        repeats: [[1, 8]],
        sections: ["A: 1-4", "B: 5-8", "A1: 9-12 like A", "B1: 13-16 like B except 16"]
      )
    end

    def fog_signal
      right = "C4w | -w | E4w | -w | C4h E4h | G4w | E4h D4h | C4w"
      left = "-w | G2w | -w | G2w | C3w | G2w | G2w | C3w"
      piece(
        "fog-signal",
        right,
        left,
        title: "Fog Signal",
        book: "Tidewater Primer 1",
        level: "1",
        meter: [4, 4],
        key: "C major",
        pages: {
          4 => [4, 4]
        },
        tempo: ["Slowly", 72, 60],
        repeats: [[1, 8, 3]],
        sections: ["A: 1-4", "B: 5-8"]
      )
    end

    def long_jetty
      call = "A4q B4q C5h | B4q A4q G4h | A4q B4q C5q D5q | E5w"
      plank = "E5q D5q C5h | D5q C5q B4h | C5q B4q A4q G4q"
      right = [
        call,
        plank,
        "A4w",
        "F4h A4h | G4h B4h | A4q C5q B4q A4q | G4w",
        plank,
        "B4h E4h",
        "A4h C5h | B4h G4h | A4h E4h | A4w"
      ].join(" | ")
      deep = "A2w | E3w | A2h C3h | C3h E3h"
      walk = "A2h C3h | G2h B2h | F2h A2h"
      left = [
        deep,
        walk,
        "A2w",
        "F2w | G2w | F2h D3h | E3w",
        walk,
        "E3w",
        "A2w | E3w | D3h E3h | A2w"
      ].join(" | ")
      piece(
        "the-long-jetty",
        right,
        left,
        title: "The Long Jetty",
        book: "Tidewater Primer 3",
        level: "3",
        meter: [4, 4],
        key: "A minor",
        pages: {
          30 => [4, 4, 4],
          31 => [4, 4]
        },
        tempo: ["With long steps", 100, 80],
        repeats: [[5, 8]],
        signs: {
          segno: [5],
          to_coda: [8],
          coda: [17],
          jumps: [Stairwell::Score::Jump.new(after: 16, to: :segno, until_sign: :coda)]
        },
        sections: ["A: 1-4", "B: 5-8", "C: 9-12", "B1: 13-16 like B except 16", "D: 17-20"]
      )
    end

    # Sung, with pedal; an octave higher at the end.
    def night_barge
      line = ["A4h D5q | F5h E5q | D5h A4q | Bb4h.", "G4h Bb4q | A4h D5q | E5q D5q C#5q"].join(
        " | "
      )
      middle = ["C5h F5q | A5h G5q | F5h C5q | D5h.", "Bb4h D5q | C5h F5q"].join(" | ")
      right = [
        line,
        "E5h.",
        line,
        "D5h.",
        middle,
        "G5q F5q E5q | F5h.",
        middle,
        "Bb5q A5q G#5q | A5h.",
        line,
        "D5h.",
        "A5h D6q | F6h E6q | D6h A5q | D5h."
      ].join(" | ")
      chords = {
        "d" => "D3q A3q F3q",
        "B" => "Bb2q F3q D3q",
        "g" => "G2q D3q Bb2q",
        "A" => "A2q E3q C#3q",
        "F" => "F2q C3q A2q",
        "C" => "C3q G3q E3q",
        "e" => "E3q Bb3q G3q"
      }
      left =
        "ddgBgdAA ddgBgdAd FFFBBFCF FFFBBFeA ddgBgdAd ddd"
          .delete(" ")
          .chars
          .map { |one| chords.fetch(one) }
          .join(" | ") + " | D3h."
      down = Stairwell::Score::Span
      piece(
        "night-barge",
        right,
        left,
        title: "Night Barge",
        book: "Tidewater Primer 3",
        level: "3",
        meter: [3, 4],
        key: "D minor",
        pages: {
          34 => [4, 4, 4, 4],
          35 => [4, 4, 4, 4],
          36 => [4, 4, 4]
        },
        tempo: ["Andante tranquillo", 84, 72],
        markings: {
          pedal: (1..43).map { |bar| down.new(from: bar, to: bar) },
          octaves: [
            Stairwell::Score::Octave.new(span: down.new(from: 41, to: 43), hand: :right, up: true)
          ],
          dynamics:
            [
              [1, 1, "p"],
              [17, 17, "mf"],
              [29, 31, "louder"],
              [33, 33, "p"],
              [41, 41, "pp"]
            ].map do |from, to, words|
              Stairwell::Score::Dynamic.new(span: down.new(from: from, to: to), words: words)
            end,
          fermatas: [Stairwell::Score::Fermata.new(bar: 32, counts: 3r)],
          ritardandi: [down.new(from: 43, to: 44)]
        },
        sections: [
          "A: 1-8",
          "A1: 9-16 like A except 16",
          "B: 17-24",
          "C: 25-32 like B except 31-32",
          "A2: 33-40 like A except 40",
          "D: 41-44"
        ],
        sung:
          "The barge goes by with-out a light and no one knows her name but all the reeds lean o-ver where her qui-et wa-ter came"
      )
    end

    # A round dance: one strain four times with other endings by turns, the way back to the sign,
    # and a coda.
    def market_morning
      strain =
        "C5e D5e E5q G4q E5q | D5e E5e F5q G4q F5q | E5e F5e G5q C5q G5q | A5q G5e F5e E5q D5q"
      away = "D5q F#5q A5q F#5q | G5q F#5e E5e D5q B4q | C5q E5q D5q F#5q | G5q B4q D5h"
      right = [
        "G4e A4e B4q",
        strain,
        "E5q D5q C5h",
        "D5q C5q B4q G4q",
        "G5q E5q D5q B4q",
        "C5h -q G4q",
        away,
        away.sub("G5q B4q D5h", "G5h F5h"),
        "C5e D5e E5q G5q E5q | C6q G5q E5q C5q | A5q B5q C6h | C6w"
      ].join(" | ")
      oom = {
        "C" => "C3q E3+G3q G2q E3+G3q",
        "F" => "F2q A2+C3q C3q A2+C3q",
        "G" => "G2q B2+F3q D3q B2+F3q",
        "D" => "D3q F#3+C4q A2q F#3+C4q",
        "g" => "G2q B2+D3q D3q B2+D3q",
        "e" => "C3h C3h"
      }
      left = [
        "-h",
        *"CGCFCGGe".chars.map { |one| oom.fetch(one) },
        *"DgDgDgDG".chars.map { |one| oom.fetch(one) },
        *"CCG".chars.map { |one| oom.fetch(one) },
        "C3+G3w"
      ].join(" | ")
      span = Stairwell::Score::Span
      piece(
        "market-morning",
        right,
        left,
        title: "Market Morning",
        book: "Tidewater Primer 3",
        level: "3",
        meter: [4, 4],
        key: "C major",
        pickup: 2,
        whole_end: true,
        pages: {
          38 => [4, 4, 4],
          39 => [4, 4]
        },
        tempo: ["Allegro moderato", 132, 104],
        repeats: [[2, 7, 4]],
        endings: [[[1, 3], 6, 7], [[2, 4], 8, 9]],
        signs: {
          segno: [2],
          to_coda: [9],
          coda: [18],
          jumps: [Stairwell::Score::Jump.new(after: 17, to: :segno, until_sign: :coda)]
        },
        markings: {
          octaves: [
            Stairwell::Score::Octave.new(span: span.new(from: 19, to: 20), hand: :right, up: true)
          ],
          pedal: [span.new(from: 20, to: 20), span.new(from: 21, to: 21)],
          dynamics:
            [
              [2, 2, "f"],
              [10, 10, "mp"],
              [14, 17, "louder"],
              [18, 18, "ff"]
            ].map do |from, to, words|
              Stairwell::Score::Dynamic.new(span: span.new(from: from, to: to), words: words)
            end,
          fermatas: [Stairwell::Score::Fermata.new(bar: 21, counts: 4r)]
        },
        sections: ["A: 0-4", "B: 5-6", "C: 7-8", "D: 9-12", "E: 13-16 like D except 16", "F: 17-20"]
      )
    end

    def piece(
      file,
      right,
      left,
      title:,
      book:,
      level:,
      meter:,
      key:,
      pages:,
      tempo:,
      sections:,
      repeats: [],
      endings: [],
      signs: {},
      pickup: nil,
      whole_end: false,
      markings: {},
      sung: nil,
      mark_unit: 1 / 4r
    )
      meter = Stairwell::Score::Meter.new(beats: meter[0], unit: meter[1])
      notes = Notation.hands(right, left)
      total = Notation.bars(right).size
      last = { total => meter.counts(meter.bar_length) - pickup } if pickup && !whole_end
      bars =
        Stairwell::Score.bars(
          total - (pickup ? 1 : 0),
          meters: [meter],
          pickup: pickup,
          counts: last || {}
        )
      words, mark, target_tempo = tempo
      map =
        Stairwell::Score::Map.new(
          **signs,
          markings: Stairwell::Score::Markings.new(**markings),
          title: title,
          book: book,
          level: level,
          bars: bars,
          notes: notes,
          keys: [Stairwell::Score::Key.parse(key)],
          pages:
            pages.map { |number, lines| Stairwell::Score::Page.new(number: number, lines: lines) },
          tempo:
            Stairwell::Score::Tempo.new(
              words: words,
              mark: mark,
              mark_unit: mark_unit,
              target: target_tempo
            ),
          repeats:
            repeats.map do |from, to, times|
              Stairwell::Score::Repeat.new(from: from, to: to, times: times)
            end,
          endings:
            endings.map do |passes, from, to|
              Stairwell::Score::Ending.new(passes: passes, from: from, to: to)
            end
        )
      Piece.new(file: file, map: map, sections: sections, words: sung)
    end
    private_class_method :piece, :start
  end
end
