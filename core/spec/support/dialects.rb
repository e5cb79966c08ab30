# frozen_string_literal: true

# Three writers of MusicXML, each in the dialect of a kind of program, by the text of the MusicXML
# 4.0 specification (from memory). They know nothing of the writer in the core.
module Dialects
  # A bar as it is written: its index, its notes by hand, from where to where in whole notes, and
  # whether it is its first and its last part.
  Part = Struct.new(:bar, :hands, :from, :to, :first, :last)

  # What all of them share.
  class Writer
    def initialize(map, random)
      @map = map
      @random = random
    end

    private

    def parts =
      @map.bars.map do |bar|
        Part.new(
          bar,
          @map.notes.fetch(bar.index, { right: [], left: [] }),
          0r,
          bar.length,
          true,
          true
        )
      end

    def attributes(part, staves: nil)
      return "" unless part.bar.index == 1 && part.first

      "<attributes><divisions>#{self.class::DIVISIONS}</divisions><key><fifths>0</fifths></key><time><beats>4</beats><beat-type>4</beat-type></time>#{"<staves>#{staves}</staves>" if staves}</attributes>"
    end

    def ticks(length) = (length * 4 * self.class::DIVISIONS).to_i

    # Notes one after another, with `gap` between, in one voice.
    def voice(notes, number, staff, length, gap: "forward")
      at = 0r
      text =
        notes
          .group_by(&:onset)
          .sort
          .map do |onset, chord|
            before = (onset > at) ? silence(onset - at, number, staff, gap) : ""
            at = onset + chord.first.length
            before +
              chord
                .each_with_index
                .map { |note, index| sound(note, number, staff, chord: index.positive?) }
                .join
          end
          .join
      text + ((at < length) ? silence(length - at, number, staff, gap) : "")
    end

    def silence(length, number, staff, gap)
      inside =
        "<duration>#{ticks(length)}</duration><voice>#{number}</voice>#{"<staff>#{staff}</staff>" if staff}"
      (gap == "rest") ? "<note><rest/>#{inside}</note>" : "<forward>#{inside}</forward>"
    end

    def sound(note, number, staff, chord: false, tie: "")
      pitch = note.pitch
      alter = pitch.alter.zero? ? "" : "<alter>#{pitch.alter}</alter>"
      "<note>#{"<chord/>" if chord}<pitch><step>#{pitch.step}</step>#{alter}<octave>#{pitch.octave}</octave></pitch><duration>#{ticks(note.length)}</duration>#{tie}<voice>#{number}</voice>#{"<staff>#{staff}</staff>" if staff}</note>"
    end

    def backup(length) = "<backup><duration>#{ticks(length)}</duration></backup>"

    def direction(inside, sound: nil, attributes: "") =
      "<direction#{attributes}><direction-type>#{inside}</direction-type>#{sound}</direction>"

    def opens?(index) = @map.repeats.any? { |one| one.from == index }

    # A page prints a closing sign at the end of each ending but the last.
    def closes(index) =
      @map.repeats.find { |one| one.to == index } ||
        ending(index, :to)&.then do |one|
          Stairwell::Score::Repeat.new(to: index) unless last_ending?(one)
        end

    def ending(index, edge) = @map.endings.find { |one| one[edge] == index }

    def signed?(member, index) = @map[member].include?(index)

    def jump(index) = @map.jumps.find { |one| one.after == index }

    def last_ending?(ending) = @map.endings.none? { |one| one.from == ending.to + 1 }

    def score(names, bodies) =
      "<?xml version=\"1.0\"?><score-partwise version=\"4.0\"><work><work-title>Dialect</work-title></work><part-list>#{names.map { |id, name| "<score-part id=\"#{id}\"><part-name>#{name}</part-name></score-part>" }.join}</part-list>#{bodies.map { |id, text| "<part id=\"#{id}\">#{text}</part>" }.join}</score-partwise>"
  end

  # A notation program: the piano beneath a singer; signs once, above the singer, with sounds that
  # play them; several voices through the part, forward instead of rests.
  class Notation < Writer
    DIVISIONS = 10_080

    def to_s =
      score(
        { "P1" => "Singer", "P2" => "Piano" },
        {
          "P1" => parts.map { |part| measure(part, singer(part)) }.join,
          "P2" => parts.map { |part| measure(part, piano(part)) }.join
        }
      )

    private

    def measure(part, inside) =
      "<measure number=\"#{part.bar.index}\" width=\"211.5\">#{left(part)}#{inside}#{right(part)}</measure>"

    def singer(part)
      index = part.bar.index
      before = [
        (
          if signed?(:segno, index)
            direction(
              "<segno/>",
              sound: "<sound segno=\"s#{index}\"/>",
              attributes: " system=\"only-top\""
            )
          end
        ),
        (direction("<coda/>", sound: "<sound coda=\"c#{index}\"/>") if signed?(:coda, index))
      ]
      behind = [
        (
          if signed?(:to_coda, index)
            direction("<words>To Coda</words>", sound: "<sound tocoda=\"c#{@map.coda.first}\"/>")
          end
        ),
        (direction("<words>Fine</words>", sound: "<sound fine=\"yes\"/>") if signed?(:fine, index)),
        (back(jump(index)) if jump(index))
      ]
      "#{attributes(part)}#{before.join}#{silence(part.to, 1, nil, "rest")}#{behind.join}"
    end

    def back(jump)
      words =
        "#{{ capo: "D.C.", segno: "D.S." }.fetch(jump.to)}#{{ fine: " al Fine", coda: " al Coda" }[jump.until_sign]}"
      direction(
        "<words font-style=\"italic\">#{words}</words>",
        sound:
          (
            if jump.to == :capo
              "<sound dacapo=\"yes\"/>"
            else
              "<sound dalsegno=\"s#{@map.segno.first}\"/>"
            end
          )
      )
    end

    # The highest note of each chord of the right hand is a voice of its own.
    def piano(part)
      upper, lower =
        part.hands[:right]
          .group_by(&:onset)
          .values
          .map { |chord| chord.sort_by { |note| -note.pitch.midi } }
          .then { |chords| [chords.map(&:first), chords.flat_map { |chord| chord.drop(1) }] }
      voices =
        [[upper, 1, 1], [lower, 2, 1], [part.hands[:left], 5, 2]].reject do |notes, number, _|
          notes.empty? && number == 2
        end
      attributes(part, staves: 2) +
        voices
          .map { |notes, number, staff| voice(notes, number, staff, part.to) }
          .join(backup(part.to))
    end

    def left(part)
      index = part.bar.index
      start = ending(index, :from)
      inside =
        "#{"<ending number=\"#{start.passes.join(", ")}\" type=\"start\" default-y=\"36\"/>" if start}#{"<repeat direction=\"forward\"/>" if opens?(index)}"
      if inside.empty?
        ""
      else
        "<barline location=\"left\"><bar-style>heavy-light</bar-style>#{inside}</barline>"
      end
    end

    def right(part)
      index = part.bar.index
      stop, close = ending(index, :to), closes(index)
      inside =
        "#{"<ending number=\"#{stop.passes.join(", ")}\" type=\"#{close ? "stop" : "discontinue"}\"/>" if stop}#{"<repeat direction=\"backward\"#{" times=\"#{close.times}\"" if close.times}/>" if close}"
      if inside.empty?
        ""
      else
        "<barline location=\"right\"><bar-style>light-heavy</bar-style>#{inside}</barline>"
      end
    end
  end

  # A sequencer: a part for each hand, rests, long notes tied in the middle of the bar, and signs in
  # words alone.
  class Sequencer < Writer
    DIVISIONS = 480

    def to_s =
      score(
        { "P1" => "Piano Right Hand", "P2" => "Piano Left Hand" },
        { "P1" => hand(:right), "P2" => hand(:left) }
      )

    private

    def hand(hand)
      parts
        .map do |part|
          "<measure number=\"#{part.bar.index}\">#{left(part)}#{attributes(part)}#{before(part) if hand == :right}#{tied(part.hands[hand], part.to)}#{behind(part) if hand == :right}#{right(part)}</measure>"
        end
        .join
    end

    def before(part) =
      "#{direction("<segno/>") if signed?(:segno, part.bar.index)}#{direction("<coda/>") if signed?(:coda, part.bar.index)}"

    def behind(part)
      index = part.bar.index
      [
        ("To Coda" if signed?(:to_coda, index)),
        ("Fine" if signed?(:fine, index)),
        (words(jump(index)) if jump(index))
      ].compact.map { |text| direction("<words>#{text}</words>") }.join
    end

    def words(jump) =
      "#{{ capo: "D.C.", segno: "D.S." }.fetch(jump.to)}#{{ fine: " al Fine", coda: " al Coda" }[jump.until_sign]}"

    def tied(notes, length)
      middle = length / 2
      halves =
        notes.flat_map do |note|
          ends = note.onset + note.length
          next [[note, ""]] unless note.onset < middle && ends > middle

          [
            [note.with(length: middle - note.onset), "<tie type=\"start\"/>"],
            [note.with(onset: middle, length: ends - middle), "<tie type=\"stop\"/>"]
          ]
        end
      at = 0r
      text =
        halves
          .group_by { |note, _| note.onset }
          .sort
          .map do |onset, chord|
            gap = (onset > at) ? silence(onset - at, 1, nil, "rest") : ""
            at = onset + chord.first.first.length
            gap +
              chord
                .each_with_index
                .map { |(note, tie), index| sound(note, 1, nil, chord: index.positive?, tie: tie) }
                .join
          end
          .join
      text + ((at < length) ? silence(length - at, 1, nil, "rest") : "")
    end

    # Repeats open on the line before, where there is one.
    def left(part)
      index = part.bar.index
      start = ending(index, :from)
      "#{"<barline location=\"left\"><ending number=\"#{start.passes.join(",")}\" type=\"start\">#{start.passes.map { |pass| "#{pass}." }.join(" ")}</ending></barline>" if start}#{"<barline location=\"left\"><repeat direction=\"forward\"/></barline>" if opens?(index)}"
    end

    def right(part)
      close, stop = closes(part.bar.index), ending(part.bar.index, :to)
      return "" unless close || stop

      "<barline location=\"right\">#{"<ending number=\"#{stop.passes.join(",")}\" type=\"stop\"/>" if stop}#{"<repeat direction=\"backward\"#{" times=\"#{close.times}\"" if close.times}/>" if close}</barline>"
    end
  end

  # A program that reads print: bars in two halves here and there, voices numbered anew on each
  # staff, endings by their text, words spelt out, measures before parts.
  class Scanner < Writer
    DIVISIONS = 8

    # @return [Array<Integer>] which bar of the map each written one belongs to
    def of = split.map { |part| part.bar.index }

    def to_s
      measures =
        split
          .map do |part|
            number = part.first ? part.bar.index.to_s : "X#{part.bar.index}"
            "<measure number=\"#{number}\"#{" implicit=\"yes\"" unless part.first}><part id=\"P1\">#{left(part)}#{piano(part)}#{right(part)}</part></measure>"
          end
          .join
      "<?xml version=\"1.0\"?><score-timewise version=\"3.1\"><movement-title>Dialect</movement-title><part-list><score-part id=\"P1\"><part-name/></score-part></part-list>#{measures}</score-timewise>"
    end

    private

    # Where no note goes over the middle.
    def split
      @split ||=
        parts.flat_map do |part|
          middle = part.to / 2
          crossing =
            part.hands.values.flatten.any? do |note|
              note.onset < middle && note.onset + note.length > middle
            end
          next [part] if crossing || @random.rand(4).positive?

          cut = ->(from, to) do
            part.hands.transform_values do |notes|
              notes
                .select { |note| note.onset >= from && note.onset < to }
                .map { |note| note.with(onset: note.onset - from) }
            end
          end
          [
            Part.new(part.bar, cut[0r, middle], 0r, middle, true, false),
            Part.new(part.bar, cut[middle, part.to], 0r, part.to - middle, false, true)
          ]
        end
    end

    def piano(part)
      index = part.bar.index
      before =
        "#{direction("<segno/>") if part.first && signed?(:segno, index)}#{direction("<coda/>") if part.first && signed?(:coda, index)}"
      behind = part.last ? words(index).map { |text| direction("<words>#{text}</words>") }.join : ""
      attributes(part, staves: 2) + before + voice(part.hands[:right], 1, 1, part.to, gap: "rest") +
        backup(part.to) + voice(part.hands[:left], 1, 2, part.to, gap: "rest") + behind
    end

    def words(index)
      back =
        jump(index)&.then do |one|
          "#{{ capo: "Da Capo", segno: "Dal Segno" }.fetch(one.to)}#{{ fine: " al Fine", coda: " al Coda" }[one.until_sign]}"
        end
      [("to Coda" if signed?(:to_coda, index)), ("FINE" if signed?(:fine, index)), back].compact
    end

    def left(part)
      return "" unless part.first

      start = ending(part.bar.index, :from)
      "#{"<barline location=\"left\"><ending number=\"\" type=\"start\">#{start.passes.map { |pass| "#{pass}." }.join}</ending></barline>" if start}#{"<barline location=\"left\"><repeat direction=\"forward\"/></barline>" if opens?(part.bar.index)}"
    end

    def right(part)
      return "" unless part.last

      close, stop = closes(part.bar.index), ending(part.bar.index, :to)
      return "" unless close || stop

      "<barline location=\"right\">#{"<ending number=\"\" type=\"#{last_ending?(stop) ? "discontinue" : "stop"}\"/>" if stop}#{"<repeat direction=\"backward\"#{" times=\"#{close.times}\"" if close.times}/>" if close}</barline>"
    end
  end
end
