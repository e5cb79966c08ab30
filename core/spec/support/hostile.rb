# frozen_string_literal: true

require "json"
require "zip"

# Files that ask for work without end, each with the code it is refused with; nil where it
# is read. Small to send, and none of them what a program or a person writes.
module Hostile
  TIME =
    "<attributes><divisions>1</divisions><time><beats>4</beats><beat-type>4</beat-type></time><clef><sign>G</sign><line>2</line></clef></attributes>"
  NOTE = "<note><pitch><step>C</step><octave>4</octave></pitch><duration>4</duration></note>"
  FORWARD = '<barline location="left"><repeat direction="forward"/></barline>'

  module_function

  def score(measures) =
    %(<score-partwise version="4.0"><part-list><score-part id="P1"><part-name>P</part-name></score-part></part-list><part id="P1">#{measures}</part></score-partwise>)

  def measure(number, inside = NOTE, before: "", after: "") =
    %(<measure number="#{number}">#{TIME if number == 1}#{before}#{inside}#{after}</measure>)

  def measures(count) = score((1..count).map { |number| yield number }.join)

  def backward(times = nil) =
    %(<barline location="right"><repeat direction="backward"#{%( times="#{times}") if times}/></barline>)

  # A bracket over the third of four bars.
  def ending(numbers)
    measures(4) do |at|
      if at == 3
        measure(
          at,
          before: %(<barline location="left"><ending number="#{numbers}" type="start"/></barline>),
          after:
            %(<barline location="right"><ending number="1" type="stop"/><repeat direction="backward"/></barline>)
        )
      else
        measure(at)
      end
    end
  end

  def pitch(inside) =
    measures(1) do |at|
      measure(at, "<note><pitch><step>C</step>#{inside}</pitch><duration>4</duration></note>")
    end

  def entries(count)
    Zip::OutputStream
      .write_buffer { |zip| count.times { |at| zip.put_next_entry("e#{at}") } }
      .string
  end

  # @return [Hash{String => Array(String, Symbol)}] name of the file, its bytes and the code
  def scores
    {
      "ending_span.musicxml" => [ending("1-99999999"), :too_much],
      "ending_list.musicxml" => [ending((1..200_000).to_a.join(",")), :too_much],
      "times.musicxml" => [
        measures(4) { |at| measure(at, after: (at == 3) ? backward(999_999_999) : "") },
        :too_much
      ],
      "nested.musicxml" => [
        measures(200) do |at|
          (at <= 100) ? measure(at, before: FORWARD) : measure(at, after: backward)
        end,
        :too_much
      ],
      "nested_often.musicxml" => [
        measures(200) do |at|
          (at <= 100) ? measure(at, before: FORWARD) : measure(at, after: backward(20))
        end,
        :too_much
      ],
      "jumps.musicxml" => [
        measures(1_000) do |at|
          measure(at, after: '<direction><sound dacapo="yes" fine="yes"/></direction>')
        end,
        :too_much
      ],
      "bars.musicxml" => [measures(5_001) { |at| measure(at, "") }, :too_many_bars],
      "one_bar.musicxml" => [
        measures(1) do |at|
          measure(
            at,
            "<note><pitch><step>C</step><octave>4</octave></pitch><duration>1</duration></note>" *
              20_000
          )
        end,
        :too_much
      ],
      "tags.musicxml" => [measures(1) { |at| measure(at, "<a/>" * 2_100_000) }, :too_much],
      "deep.musicxml" => [
        measures(1) { |at| measure(at, "<a>" * 100_000 + "</a>" * 100_000) },
        :cut_off
      ],
      "entries.mxl" => [entries(60_000), :too_much_inside],
      "alter.musicxml" => [pitch("<alter>1e999</alter><octave>4</octave>"), nil],
      "octave.musicxml" => [pitch("<octave>99999999999999999999</octave>"), nil],
      "divisions.musicxml" => [
        measures(1) { |at| measure(at).sub("<divisions>1<", "<divisions>#{"7" * 5_000}<") },
        nil
      ],
      "beats.musicxml" => [
        measures(1) { |at| measure(at).sub("<beats>4<", "<beats>#{(["3"] * 20_000).join("+")}<") },
        nil
      ],
      "numbers.musicxml" => [
        score(%(<measure number="#{"9" * 100_000}">#{TIME}#{NOTE}</measure>)),
        nil
      ],
      "rests.musicxml" => [
        measures(1) do |at|
          measure(at).sub(
            "</attributes>",
            "<measure-style><multiple-rest>99999999</multiple-rest></measure-style></attributes>"
          )
        end,
        nil
      ]
    }
  end

  # @return [Hash{String => String}] page scripts of which none is taken whole
  def scripts
    {
      "blanks" => "bars: 4\nclef left: a#{" " * 98_000},\n",
      "sections" => "bars: 4000\n" + (1..3_000).map { |at| "section S#{at}: 1-4000\n" }.join,
      "unknown" => "bars: 4\n" + "zzz\n" * 24_000,
      "repeats" => "bars: 200\n" + (1..100).map { |at| "repeat: #{at}-#{201 - at} x20\n" }.join,
      "passes" => "bars: 20\nrepeat: 1-10\nending #{(1..9_999).to_a.join(", ")}: 3\n",
      "pass" => "bars: 20\nrepeat: 1-10\nending 99999999: 3\n",
      "jumps" =>
        "bars: 1000\n" +
          (1..1_000).map { |at| "dal segno: #{at} al coda\nsegno: #{at}\nto coda: #{at}\n" }.join,
      "page" => "page 1: #{"1 " * 20_000}\n",
      "quote" => "bars: 4\ntitle: \"#{"\\\"" * 200_000}\n",
      "number" => "bars: #{"9" * 100_000}\n",
      "places" => "bars: 4000\nsection A: #{(["1-4000"] * 3_000).join(", ")}\n"
    }
  end

  # @param map [Hash{String => Object}] a good one with at least four bars
  # @return [Hash{String => String}] as JSON, spoilt
  def maps(map)
    spoilt = ->(**more) { JSON.generate(map.merge(more.transform_keys(&:to_s))) }
    {
      "bars" => spoilt[bars: map["bars"].cycle.first(100_000)],
      "null" => spoilt[title: "a\0b"],
      "no title" => spoilt[title: ""],
      "blank title" => spoilt[title: " \n"],
      "aim" => spoilt[tempo: { "aim" => 0 }],
      "mark unit" => spoilt[tempo: { "mark_unit" => "0", "mark" => 60 }],
      "segno" => spoilt[segno: [99]],
      "fine" => spoilt[fine: [0]],
      "backward" => spoilt[sections: [{ "label" => "A", "spans" => [{ "from" => 2, "to" => 1 }] }]],
      "beat" =>
        spoilt[
          sections: [
            { "label" => "A", "spans" => [{ "from" => 1, "to" => 1, "from_beat" => "9" }] }
          ]
        ],
      "beats" =>
        spoilt[
          markings: {
            "pedal" => [{ "from" => 1, "to" => 1, "from_beat" => "3", "to_beat" => "2" }]
          }
        ],
      "key" => spoilt[keys: [{ "bar" => 1, "key" => "x\nC major\ny" }]],
      "line feed" => spoilt[keys: [{ "bar" => 1, "key" => "C major\n" }]],
      "infinite" => spoilt[tempo: {}].sub('"tempo":{}', '"tempo":{"aim":1e400}'),
      "large" => spoilt[tempo: { "aim" => 10**40 }],
      "half" => spoilt[fine: [1.5]],
      "ending" => spoilt[endings: [{ "passes" => [1], "from" => 3, "to" => 2 }]],
      "repeat" => spoilt[repeats: [{ "from" => 9_999, "to" => 2, "times" => 2 }]],
      "passes" => spoilt[endings: [{ "passes" => [99_999_999], "from" => 1, "to" => 2 }]],
      "jump" =>
        spoilt[jumps: [{ "after" => -1, "to" => "capo", "until" => "end", "repeats" => false }]],
      "sections" => spoilt[sections: map["sections"].cycle.first(50_000)],
      "deep" => "[" * 100_000 + "]" * 100_000,
      "meter" => spoilt[bars: [[1, "1", "0/4"]]],
      "length" => spoilt[bars: [[1, "0", "4/4"]]],
      "unread" => spoilt[unread: [{ "what" => "x", "bars" => [77] }]]
    }
  end
end
