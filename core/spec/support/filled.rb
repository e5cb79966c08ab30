# frozen_string_literal: true

# A page with every field of every value filled, at random: what the product can
# hold, so that whatever is not written, or not read back, shows.
class Filled
  Score = Stairwell::Score
  # Texts as strangers' files hold them.
  TEXTS = [
    "The Slow Ferry",
    "Study # 3",
    "# 5",
    "Rain, Later",
    "Two\nLines",
    "\"Quoted\"",
    "She said \"go\" # twice",
    "back\\slash \\n",
    "Tab\there",
    "Lied für Åse",
    "夜の川",
    "from 3 to 4",
    "marked slow",
    "aim high, target low",
    "like A except 2",
    "right hand, softer",
    " edges ",
    "C#",
    "#",
    "\"",
    "a,b",
    "difficulty 4",
    "x" * 150
  ].freeze
  BARS = 12

  # @param seed [Integer]
  def initialize(seed)
    @random = Random.new(seed)
  end

  # @return [Stairwell::Score::Map]
  def map
    Score::Map.new(
      title: text,
      composer: text,
      book: text,
      level: text,
      bars: bars,
      pages: [
        Score::Page.new(number: pick(1..300), lines: [4, 4]),
        Score::Page.new(number: 301, lines: [4])
      ],
      keys: [
        Score::Key.new(fifths: pick(-7..7), mode: pick(Score::Key::MODES)),
        Score::Key.new(fifths: pick(-7..7), mode: pick(Score::Key::MODES), bar: 7)
      ],
      tempo:
        Score::Tempo.new(
          words: text,
          mark_unit: pick([1 / 4r, 3 / 8r, 1 / 2r, 1 / 8r]),
          mark: pick(30..200),
          target: pick(30..200)
        ),
      repeats: [
        Score::Repeat.new(to: 3),
        Score::Repeat.new(from: 5, to: 8, times: pick(2..4), again: true)
      ],
      endings: [
        Score::Ending.new(passes: [1, 2], from: 8, to: 8),
        Score::Ending.new(passes: [3], from: 9, to: 9)
      ],
      segno: [2],
      coda: [12],
      to_coda: [9],
      fine: [4],
      double_bars: [4, 8],
      jumps: [
        Score::Jump.new(after: 11, to: :segno, until_sign: :coda, repeats: true),
        Score::Jump.new(after: 10, to: :segno, sign: 2)
      ],
      leaves: [Score::Leave.new(after: 9, to: 12)],
      clefs: [
        Score::Clef.new(hand: :left, name: "treble", bar: 3, beat: pick([1r, 2r, 3 / 2r])),
        Score::Clef.new(hand: :right, name: "bass 8vb")
      ],
      markings: markings,
      sections: sections,
      notes: notes,
      phrasing:
        Score::Phrasing.new(slurs: [[2, 0r]], breaths: [[3, 1 / 4r]], inside_words: [[4, 1 / 8r]]),
      unread: [[text, [1, 2]]],
      assumed: [["sign_inside", [3]], ["right_hand: #{text}", []]]
    )
  end

  # @return [Stairwell::Score::Markings]
  def markings
    Score::Markings.new(
      fermatas: [
        Score::Fermata.new(bar: 4, counts: 3 / 2r, beat: 2r, held: 5 / 2r),
        Score::Fermata.new(bar: 5, counts: 1r)
      ],
      ritardandi: [span, span],
      pass_notes: [
        Score::PassNote.new(passes: [2, 3], span: span, text: text, hand: hand),
        Score::PassNote.new(passes: [1], span: span, text: text)
      ],
      starts: [
        Score::Start.new(hand: hand, finger: pick(1..5), pitch: pitch, bar: 3, beat: 2r),
        Score::Start.new(hand: hand, finger: 1, pitch: pitch),
        Score::Start.new(hand: hand, finger: 2, pitch: pitch, bar: 7, guide: true)
      ],
      hands: [
        Score::Hands.new(use: pick(Score::Hands::USES.keys), span: span),
        Score::Hands.new(use: :together)
      ],
      dynamics: [
        Score::Dynamic.new(span: span, words: text),
        Score::Dynamic.new(span: span, words: "mf")
      ],
      pedal: [span],
      ornaments: [Score::Span.new(from: 6, to: 6, from_beat: 2r, to_beat: 2r)],
      verses: [Score::Verse.new(number: 2, span: span)],
      introduces: [text, text],
      octaves: [
        Score::Octave.new(span: span, hand: hand, up: false),
        Score::Octave.new(span: span)
      ],
      spots: [Score::Spot.new(span: span, hand: hand, text: text), Score::Spot.new(span: span)],
      dismissed: [Score::Spot.new(span: span, hand: hand, text: text)],
      hard: [span],
      joins: [Score::Join.new(from: "A", to: "B2", text: text)],
      section_notes: [
        Score::SectionNote.new(section: "A", kind: :fingering, text: text),
        Score::SectionNote.new(section: "B2", kind: :articulation, text: text),
        Score::SectionNote.new(section: "A", kind: :movement, text: text)
      ],
      tempos: [
        Score::TempoChange.new(bar: 7, words: text, mark_unit: 1 / 4r, mark: pick(40..90)),
        Score::TempoChange.new(bar: 9, words: "Presto")
      ],
      harmony: [
        Score::Told.new(span: span, words: pick(%w[I V7 ii° iv V/V vii°])),
        Score::Told.new(span: span, words: "IV")
      ],
      patterns: [
        Score::Told.new(span: span, hand: hand, words: text),
        Score::Told.new(span: span, words: text)
      ],
      parts: [Score::Told.new(span: span, words: "1"), Score::Told.new(span: span, words: "B2")],
      track: pick(1..99)
    )
  end

  private

  def pick(from) = from.to_a.sample(random: @random)

  def text = pick(TEXTS)

  def hand = pick(%i[right left])

  def pitch =
    Score::Pitch.new(step: pick(Score::Pitch::STEPS), octave: pick(1..7), alter: pick(-2..2))

  # Inside bars of three counts and two; sometimes from beat to beat.
  def span
    from = pick(1..BARS)
    to = pick(from..BARS)
    return Score::Span.new(from: from, to: to) if @random.rand < 0.5

    Score::Span.new(from: from, to: to, from_beat: 1r, to_beat: 3 / 2r)
  end

  def bars
    meters = [
      Score::Meter.new(beats: 3, unit: 4),
      Score::Meter.new(beats: 2, unit: 4, bar: 7),
      Score::Meter.free(bar: 11)
    ]
    Score.bars(BARS, meters: meters, counts: { 6 => 3 / 2r, 11 => 5r }, numbers: { 10 => 1 })
  end

  def sections
    [
      Score::Section.new(
        label: "A",
        spans: [Score::Span.new(from: 1, to: 3), Score::Span.new(from: 7, to: 8)],
        difficulty: pick(1..5)
      ),
      Score::Section.new(
        label: "B2",
        spans: [Score::Span.new(from: 4, to: 6, from_beat: 2r, to_beat: 1r)],
        difficulty: 4,
        variant:
          Score::Variant.new(
            of: "A",
            relation: pick(%i[same moved rhythm]),
            except: [5, 6],
            hand: pick([nil, :left])
          )
      )
    ]
  end

  # Every combination of what a note may carry beside its pitch, one alone too.
  def notes
    (1..BARS).to_h do |bar|
      [bar, %i[right left].to_h { |hand| [hand, [note(0r, 1 / 4r), note(1 / 4r, 1 / 8r)]] }]
    end
  end

  def note(onset, length)
    more = {
      finger: pick(1..5),
      articulation: pick([["staccato"], %w[accent staccato]]),
      graces: [pitch],
      tied: true
    }
    Score::Note.new(
      onset: onset,
      length: length,
      pitch: pitch,
      **more.select { @random.rand < 0.4 }
    )
  end
end
