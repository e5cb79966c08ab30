# frozen_string_literal: true

require_relative "spec_helper"
require_relative "support/small_score"

# Tempo words and marks hold from their bar on, and slowing ends where a musician ends it.
RSpec.describe "Tempos of a score" do
  # Bars of four quarters; each as what is written before its notes, and the part it is written in.
  def map(*bars, above: false)
    divisions =
      "<attributes><divisions>1</divisions><time><beats>4</beats><beat-type>4</beat-type></time></attributes>"
    measures = ->(said) do
      bars
        .each_with_index
        .map do |bar, at|
          %(<measure number="#{at + 1}">#{divisions if at.zero?}#{bar if said}#{"<note><pitch><step>E</step><octave>4</octave></pitch><duration>1</duration></note>" * 4}</measure>)
        end
        .join
    end
    parts =
      (
        if above
          { "P1" => measures[true], "P2" => measures[false], "P3" => measures[false] }
        else
          { "P2" => measures[true], "P3" => measures[false] }
        end
      )
    names = { "P1" => "Voice", "P2" => "Piano right hand", "P3" => "Piano left hand" }
    Stairwell::Formats::MusicXML.read(<<~XML)
      <score-partwise version="4.0"><part-list>#{parts.keys.map { |id| %(<score-part id="#{id}"><part-name>#{names[id]}</part-name></score-part>) }.join}</part-list>
      #{parts.map { |id, inside| %(<part id="#{id}">#{inside}</part>) }.join}</score-partwise>
    XML
  end

  def direction(*types) =
    "<direction>#{types.map { |type| "<direction-type>#{type}</direction-type>" }.join}</direction>"

  def words(text) = "<words>#{text}</words>"

  def mark(count, unit = "quarter", dot: false) =
    "<metronome><beat-unit>#{unit}</beat-unit>#{"<beat-unit-dot/>" if dot}<per-minute>#{count}</per-minute></metronome>"

  def changes(map) = map.markings.tempos.map { |one| [one.bar, one.words, one.mark, one.mark_unit] }

  it "are that of the first bar, and others from their bar on" do
    found =
      map(
        direction(words("Andante"), mark(80)),
        "",
        direction(words("Più mosso"), mark(120)),
        direction(words("Tempo I"))
      )
    expect([found.tempo.words, found.tempo.mark]).to eq(["Andante", 80])
    expect(changes(found)).to eq([[3, "Più mosso", 120, 1 / 4r], [4, "Tempo I", 80, 1 / 4r]])
    # Two bars and the last at 80, one at 120: 3 × 3 s and 2 s.
    expect(Stairwell::Roadmap.read(found).seconds(80)).to be_within(0.001).of(11)
    expect(Stairwell::Roadmap.playback(found, tempo: 80)[:bars].map { |bar| bar[:at] }).to eq(
      [0.0, 3.0, 6.0, 8.0]
    )
    expect(found.unread).to eq([])
  end

  it "hold wherever they are written" do
    found = map(direction(words("Adagio"), mark(60)), direction(mark(90, "half")), above: true)
    expect([found.tempo.words, found.tempo.mark, changes(found)]).to eq(
      ["Adagio", 60, [[2, nil, 90, 1 / 2r]]]
    )
    expect(found.pace(2)).to eq(3)
  end

  it "are not known where only a later bar has one" do
    found = map("", direction(words("Presto"), mark(160)))
    expect([found.tempo.words, found.tempo.mark, found.target_tempo, found.pace(2)]).to eq(
      [nil, nil, 60, 1]
    )
    expect(changes(found)).to eq([[2, "Presto", 160, 1 / 4r]])
  end

  it "are words alone too, where they are known as tempo words; others are said to be unread" do
    found =
      map(
        direction(words("Allegretto grazioso")),
        direction(words("Meno mosso")),
        direction(words("Largo"))
      )
    expect([found.tempo.words, found.tempo.mark]).to eq(["Allegretto grazioso", nil])
    expect(changes(found)).to eq([[3, "Largo", nil, nil]])
    expect(found.unread).to eq([["the words “Meno mosso”", [2]]])
  end

  it "read back from a page script and a score" do
    found =
      map(
        direction(words("Andante"), mark(80)),
        direction(words("Vivo, quasi presto"), mark(60, "quarter", dot: true)),
        direction(words("Largo"))
      )
    again = Stairwell::Formats::PageScript.read!(Stairwell::Formats::PageScript.write(found))
    expect(changes(again)).to eq(changes(found))
    expect(
      changes(Stairwell::Formats::MusicXML.read(Stairwell::Formats::MusicXML.write(found)))
    ).to eq(changes(found))
    problem = Stairwell::Formats::PageScript.read("bars: 4\ntempo 3: target 60\n").problems.first
    expect(problem.message).to include("the target tempo once")
  end

  # Hands together at half of the target of 100; the second section is printed half as fast.
  it "make steps slower where the music is" do
    steps =
      Stairwell::Practice.steps(
        page(
          "bars: 8\ntempo: marked quarter = 100\ntempo 5: marked quarter = 50\nsection A: 1-4\nsection B: 5-8\n"
        )
      )
    tempos = steps.to_h { |step| [step.id, step.tempo] }
    expect(tempos).to include(
      "A.together" => 50,
      "B.together" => 25,
      "A.right" => 60,
      "B.right" => 30
    )
  end

  describe "that slow down" do
    # The Long Jetty begins sections at 9, 13 and 17, and has no line or word there that would end
    # it.
    it "ends with the section in which it begins, where nothing printed ends it" do
      require "demo/pieces"
      word = "<direction><direction-type><words>rit.</words></direction-type></direction>"
      text =
        Stairwell::Formats::MusicXML
          .write(Demo::Pieces.long_jetty.map)
          .sub(/(<measure number="11"[^>]*>)/) { "#{$1}#{word}" }
      expect(
        Stairwell::Formats::MusicXML.read(text).markings.ritardandi.map { |one| [one.from, one.to] }
      ).to eq([[11, 12]])
    end

    def slow(*bars) = map(*bars).markings.ritardandi.map { |one| [one.from, one.to] }

    let(:rit) { direction(words("rit.")) }
    let(:fermata) do
      "<note><pitch><step>C</step><octave>4</octave></pitch><duration>4</duration><notations><fermata/></notations></note>"
    end

    it "end where their dashes end" do
      dashes = ->(type) { %(<dashes type="#{type}"/>) }
      expect(
        slow("", direction(words("rall."), dashes["start"]), "", direction(dashes["stop"]), "", "")
      ).to eq([[2, 3]])
    end

    it "end at a fermata, before a tempo, at a double bar, before a new tempo or another slowing" do
      expect(slow("", rit, fermata, "", "")).to eq([[2, 3]])
      expect(slow("", rit, "", direction(words("a tempo")), "")).to eq([[2, 3]])
      expect(
        slow(
          "",
          rit,
          '<barline location="right"><bar-style>light-light</bar-style></barline>',
          "",
          ""
        )
      ).to eq([[2, 3]])
      expect(slow("", rit, "", "", direction(words("Lento"), mark(50)))).to eq([[2, 4]])
      expect(slow(rit, "", direction(words("rallentando")), "")).to eq([[1, 2], [3, 4]])
    end

    it "end with the piece where nothing ends them" do
      expect(slow("", rit, "", "")).to eq([[2, 4]])
      expect(slow(direction(words("a tempo")), rit, direction(words("a tempo")))).to eq([[2, 2]])
    end
  end
end
