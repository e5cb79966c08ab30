# frozen_string_literal: true

# Pieces whose form is known because they are composed by it: phrases with upbeats, cadences and
# accompaniments, put together as questions and answers, sentences, A A B A, A B A, rondos and
# variations. What comes back comes back literally, ornamented, over another accompaniment, or with
# another ending. All harmony is of the simplest kind (common practice, no source).
class Composed
  Score = Stairwell::Score
  # A piece: `edges` are positions at which a phrase begins, in whole notes from the first bar line;
  # `optional` others at which a musician may cut; `returns` pairs of them, what comes back
  # literally and where it stood first; `form` its name; `degrees` the step of the scale on which
  # the chord of each bar stands, from 0.
  Piece = Struct.new(:map, :edges, :optional, :returns, :form, :degrees, keyword_init: true)
  # A bar of a phrase: [length, scale step or nil for a rest] of the melody, and the degree beneath.
  Bar = Struct.new(:melody, :degree)

  METERS = { [4, 4] => 1r, [3, 4] => 3 / 4r, [2, 4] => 1 / 2r, [6, 8] => 3 / 4r }.freeze
  # Rhythms of a bar, in whole notes.
  RHYTHMS = {
    [4, 4] => [
      [1 / 4r] * 4,
      [1 / 2r, 1 / 4r, 1 / 4r],
      [1 / 4r, 1 / 4r, 1 / 2r],
      [3 / 8r, 1 / 8r, 1 / 4r, 1 / 4r],
      [1 / 4r, 1 / 8r, 1 / 8r, 1 / 4r, 1 / 4r]
    ],
    [3, 4] => [
      [1 / 4r] * 3,
      [1 / 2r, 1 / 4r],
      [1 / 4r, 1 / 8r, 1 / 8r, 1 / 4r],
      [3 / 8r, 1 / 8r, 1 / 4r]
    ],
    [2, 4] => [[1 / 4r] * 2, [1 / 8r, 1 / 8r, 1 / 4r], [1 / 4r, 1 / 8r, 1 / 8r], [3 / 8r, 1 / 8r]],
    [6, 8] => [
      [1 / 8r] * 6,
      [1 / 4r, 1 / 8r, 1 / 4r, 1 / 8r],
      [3 / 8r, 1 / 8r, 1 / 8r, 1 / 8r],
      [1 / 4r, 1 / 8r, 1 / 8r, 1 / 8r, 1 / 8r]
    ]
  }.freeze
  UPBEATS = {
    [4, 4] => [0r, 0r, 1 / 4r, 1 / 8r],
    [3, 4] => [0r, 0r, 1 / 4r],
    [2, 4] => [0r, 0r, 1 / 8r],
    [6, 8] => [0r, 0r, 1 / 8r]
  }.freeze
  PATTERNS = %i[block broken bass_chord whole].freeze
  FORMS = %i[period sentence aaba aba rondo variations].freeze

  # @param seed [Integer]
  def initialize(seed)
    @random = Random.new(seed)
    @meter = pick(METERS.keys)
    @length = METERS.fetch(@meter)
    @upbeat = pick(UPBEATS.fetch(@meter))
    @key = Score::Key.new(fifths: pick((-3..4).to_a), mode: pick(%w[major major minor]))
    @rhythms = RHYTHMS.fetch(@meter).sample(3, random: @random)
    @form = pick(FORMS)
    @size = pick([4, 4, 4, 4, 3, 6])
    # The piece begins at a bar line, and later phrases with an upbeat all the same.
    @late = @upbeat.positive? && @random.rand < 0.25
    # Each phrase runs into the first note of the next.
    @elided = @upbeat.zero? && @random.rand < 0.12
    @sung = @random.rand < 0.3
    @phrases = {}
  end

  # @return [Piece]
  def piece
    built = send(@form)
    @notes = Hash.new { |all, bar| all[bar] = { right: [], left: [] } }
    @pickup = (@upbeat.positive? && !@late) ? 1 : 0
    @inside = []
    @degrees = {}
    at = 0
    starts = built.map { |phrase| at.tap { at += phrase[:bars].size } }
    @total = at
    built
      .zip(starts)
      .each_with_index do |(phrase, start), turn|
        write(phrase, start, last: turn == built.size - 1)
      end
    edges = starts.drop(1).map { |start| position(start) }
    Piece.new(
      map: map,
      edges: edges - optional(built, starts),
      optional: optional(built, starts),
      returns: returns(built, starts),
      form: @form,
      degrees: @degrees
    )
  end

  private

  def pick(from) = from.sample(random: @random)

  # In whole notes from the first full bar's line; a phrase begins with its upbeat.
  def position(bar) = (bar * @length) - ((bar.zero? && @late) ? 0 : @upbeat)

  def optional(built, starts) =
    built.zip(starts).select { |phrase, _| phrase[:optional] }.map { |_, start| position(start) }

  def returns(built, starts)
    first = {}
    built
      .zip(starts)
      .filter_map do |phrase, start|
        earlier = first[phrase[:key]]
        first[phrase[:key]] ||= start
        [position(start), position(earlier)] if earlier && phrase[:bars].size > 2
      end
  end

  # == Forms

  def period =
    2.times.flat_map { |half| [phrase("q#{half}", cadence: :half), answer("q#{half}")] } +
      (pick([true, false]) ? [phrase("q0", cadence: :half), answer("q0")] : [])

  # Two bars, the same again a step higher, and a continuation of four.
  def sentence
    @size = 4
    one = ->(name) do
      idea = phrase("#{name}i", size: 2, cadence: :open)
      [
        idea,
        idea.merge(
          bars:
            idea[:bars].map do |bar|
              Bar.new(bar.melody.map { |length, step| [length, step && step + 1] }, bar.degree + 1)
            end,
          key: "#{name}j",
          optional: true
        ),
        phrase("#{name}c", size: 4)
      ]
    end
    [*one["s"], *one["t"], *one["s"]]
  end

  def aaba = [phrase("a"), phrase("a"), phrase("b", cadence: :half), varied(phrase("a"))]

  def aba
    outer = [phrase("a", cadence: :half), answer("a")]
    outer + [phrase("b", cadence: :half), phrase("c", cadence: :half)] +
      outer.map { |one| varied(one) }
  end

  def rondo =
    [
      phrase("a"),
      phrase("b", cadence: :half),
      phrase("a"),
      phrase("c", cadence: :half),
      varied(phrase("a"))
    ]

  def variations
    theme = [phrase("a", cadence: :half), phrase("b")]
    theme + theme.map { |one| over(one, other_pattern(one[:pattern])) } +
      theme.map { |one| ornamented(one) }
  end

  # == Phrases

  def phrase(name, size: @size, cadence: :full)
    @phrases[name] ||= begin
      pattern = @pattern = (@pattern && @random.rand < 0.6) ? @pattern : pick(PATTERNS)
      degrees = Array.new(size) { |at| at.zero? ? 0 : pick([0, 3, 5, 1, 4]) }
      if size > 1
        degrees[-2..] = { full: [4, 0], half: [pick([1, 3]), 4], open: [0, 3] }.fetch(cadence)
      end
      place = 30 + pick((-2..4).to_a)
      bars =
        degrees.each_with_index.map do |degree, at|
          if at == size - 1 && cadence != :open
            closing(degree)
          else
            Bar.new(tune(degree, place), degree)
          end
        end
      { key: name, bars: bars, pattern: pattern, upbeat: tune(4, place).last(1).map(&:last) }
    end
  end

  def tune(degree, place)
    step = place + ((degree - place) % 7)
    step -= 7 if step > place + 4
    pick(@rhythms).map do |length|
      step += pick([-2, -1, -1, 1, 1, 2])
      step = step.clamp(place - 5, place + 7)
      [length, step]
    end
  end

  # A long note on the degree, and a rest or the next upbeat behind it.
  def closing(degree)
    return Bar.new(tune(4, 31), 4) if @elided

    long = (@length == 1 / 2r) ? 1 / 4r : @length / 2
    long = @length - @upbeat if @upbeat.positive? && @random.rand < 0.5
    Bar.new(
      [[long, 28 + (degree % 7)], [@length - long, nil]].reject { |length, _| length.zero? },
      degree
    )
  end

  # As the question, with a full close.
  def answer(name)
    question = phrase(name, cadence: :half)
    @phrases["#{name} answered"] ||= question.merge(
      key: "#{name} answered",
      bars: question[:bars][0..-3] + [Bar.new(tune(4, 31), 4), closing(0)]
    )
  end

  def varied(one)
    case @random.rand(4)
    when 0
      over(one, other_pattern(one[:pattern]))
    when 1
      ornamented(one)
    else
      one
    end
  end

  def other_pattern(pattern) = pick(PATTERNS - [pattern])

  def over(one, pattern) = one.merge(pattern: pattern, key: "#{one[:key]} over #{pattern}")

  # Some long notes in two, with the step above between; never the close.
  def ornamented(one)
    *bars, close = one[:bars]
    bars =
      bars.map do |bar|
        Bar.new(
          bar.melody.flat_map do |length, step|
            if length >= 1 / 4r && @random.rand < 0.4
              [[length / 2, step], [length / 2, step + 1]]
            else
              [[length, step]]
            end
          end,
          bar.degree
        )
      end
    one.merge(bars: [*bars, close], key: "#{one[:key]} ornamented")
  end

  # == Notes

  def write(phrase, start, last:)
    if @upbeat.positive? && !(@late && start.zero?)
      phrase[:upbeat].each { |step| put(:right, start - 1, @length - @upbeat, @upbeat, step) }
    end
    # Words go on over bar lines inside a phrase, never into the next.
    if @sung
      (1...phrase[:bars].size).each do |at|
        @inside << [start + at + 1 + @pickup, 0r] if @random.rand < 0.5
      end
    end
    phrase[:bars].each_with_index do |bar, at|
      close = at == phrase[:bars].size - 1
      room = @length - ((close && !(last && @late)) ? @upbeat : 0)
      @degrees[start + at + 1 + @pickup] = bar.degree % 7
      melody(bar, start + at, room)
      accompany(
        phrase[:pattern],
        bar.degree,
        start + at,
        (last && close) ? room : @length,
        closes: close && !@elided
      )
    end
  end

  # What reaches into the next upbeat is shortened.
  def melody(bar, number, room)
    at = 0r
    bar.melody.each do |length, step|
      put(:right, number, at, [length, room - at].min, step) if step && at < room
      at += length
    end
  end

  def accompany(pattern, degree, number, room, closes:)
    chord = [0, 2, 4].map { |third| 14 + (degree % 7) + third }
    return chord.each { |step| put(:left, number, 0r, room, step) } if closes || pattern == :whole

    beat = (@meter == [6, 8]) ? 1 / 8r : 1 / 4r
    (room / beat).to_i.times do |count|
      tones = {
        block: chord,
        broken: [chord[[0, 2, 1, 2][count % 4]]],
        bass_chord: count.zero? ? [chord[0]] : chord.drop(1)
      }.fetch(pattern)
      tones.each { |step| put(:left, number, count * beat, beat, step) }
    end
  end

  # The pickup is a bar of its own; later upbeats are the end of a bar.
  def put(hand, number, onset, length, step)
    return if length <= 0

    bar, onset =
      (number.negative? ? [1, onset - (@length - @upbeat)] : [number + 1 + @pickup, onset])
    @notes[bar][hand] << Score::Note.new(onset: onset, length: length, pitch: pitch(step))
  end

  # A step of the key, the seventh raised in minor where it leads.
  def pitch(step)
    tonic = Score::Pitch::STEPS.index(@key.tonic[0])
    letter = Score::Pitch::STEPS[(tonic + step) % 7]
    alter = @key.alter(letter) + ((@key.mode == "minor" && step % 7 == 6) ? 1 : 0)
    Score::Pitch.new(step: letter, octave: (tonic + step) / 7, alter: alter)
  end

  def map
    beats, unit = @meter
    meter = Score::Meter.new(beats: beats, unit: unit)
    counts = @pickup.positive? ? { @total + 1 => (@length - @upbeat) / meter.count_length } : {}
    bars =
      Score.bars(
        @total,
        meters: [meter],
        pickup: (@upbeat / meter.count_length if @pickup.positive?),
        counts: counts
      )
    notes =
      @notes.transform_values do |hands|
        hands.transform_values { |all| all.sort_by { |note| [note.onset, note.pitch.midi] } }
      end
    Score::Map.new(
      title: "Composed",
      bars: bars,
      keys: [@key],
      notes: notes,
      phrasing: Score::Phrasing.new(inside_words: @inside.sort)
    )
  end
end
