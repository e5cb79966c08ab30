# frozen_string_literal: true

# Short ways to make what the specs talk about.
module Making
  # @return [Stairwell::Score::Map] of a page script
  def page(script) = Stairwell::Formats::PageScript.read!(script)

  # @return [Array<Array(Integer, Integer)>] the runs of a page script as played
  def runs(script) = Stairwell::Roadmap.read(page(script)).runs.map { |run| [run.from, run.to] }

  # @return [Array<Symbol>] codes of what does not add up
  def codes(script) = Stairwell::Roadmap.read(page(script)).diagnostics.map(&:code)

  # A score of one part out of measures given as XML.
  # @return [String]
  def score(*measures, more: "")
    <<~XML
      <?xml version="1.0" encoding="UTF-8"?>
      <score-partwise version="4.0"><part-list><score-part id="P1"><part-name>Piano</part-name></score-part></part-list>#{more}
      <part id="P1">#{measures.each_with_index.map { |inside, at| %(<measure number="#{at + 1}">#{inside}</measure>) }.join}</part></score-partwise>
    XML
  end

  # @return [String] a note as XML; durations count quarters where divisions are 1
  def note(pitch, duration, staff: 1, chord: false)
    step, alter, octave = pitch.match(/([A-G])(#|b)?(\d)/).captures
    <<~XML
      <note>#{"<chord/>" if chord}<pitch><step>#{step}</step>#{"<alter>#{(alter == "#") ? 1 : -1}</alter>" if alter}<octave>#{octave}</octave></pitch>
      <duration>#{duration}</duration><staff>#{staff}</staff></note>
    XML
  end

  # Attributes of the first measure: quarters are counted, two staves.
  FIRST =
    "<attributes><divisions>1</divisions><key><fifths>0</fifths></key><time><beats>4</beats><beat-type>4</beat-type></time><staves>2</staves></attributes>"

  # @return [Stairwell::Score::Map] read from a score of measures, the first of
  #   which gets the usual attributes
  def read(first, *others) = Stairwell::Formats::MusicXML.read(score(FIRST + first, *others))

  # @return [Stairwell::Planning::Task]
  def task(id, minutes: 3r, days: 2, **more) =
    Stairwell::Planning::Task.new(id: id, minutes: minutes, good_days: days, **more)
end
