# frozen_string_literal: true

# Short scores whose playing order is known, written in one line: bars with blanks between, each of
# tokens with commas between. What stands before "." comes before the notes of a bar, what stands
# after it behind them; a bar without one has its notes last.
#
#   |:  :|  :|3  :|^     repeat signs, three times in all, taken again after a jump
#   (:|  |:)             the same written on the other line: closing on the left, opening on the
#   right [1  [1+3  [=1.-3.    an ending opens, by number, or by printed text alone
#   ]  >                 it stops with a hook, or without
#   $  @                 the signs segno and coda, as signs alone
#   'D.C._al_Fine'       words; {segno} and {coda} are signs among them
#   *dacapo  *segno=a    attributes of sound
#   ^                    before any of them: in the part above the piano
#   ~:|  ~|:             in the middle of the bar, which has two notes then
module SmallScore
  LINE = {
    "|:" => [:left, %(<repeat direction="forward"/>)],
    "|:)" => [:right, %(<repeat direction="forward"/>)],
    "(:|" => [:left, %(<repeat direction="backward"/>)]
  }.freeze

  module_function

  # @param text [String]
  # @return [String] MusicXML
  def write(text)
    bars = text.split.map { |bar| read(bar) }
    above = bars.any? { |bar| bar.any? { |_, token| token.start_with?("^") } }
    piano = part("P2", bars, above: false)
    voice = above ? part("P1", bars, above: true) : ""
    list =
      "#{%(<score-part id="P1"><part-name>Voice</part-name></score-part>) if above}<score-part id=\"P2\"><part-name>Piano</part-name></score-part>"
    %(<?xml version="1.0" encoding="UTF-8"?><score-partwise version="4.0"><part-list>#{list}</part-list>#{voice}#{piano}</score-partwise>)
  end

  # @return [Array<Array(Boolean, String)>] tokens, each with whether it comes behind the notes
  def read(bar)
    behind = false
    found = []
    bar
      .split(",")
      .each do |token|
        next behind = true if token == "."

        found << [behind || closing?(token.delete_prefix("^")), token]
      end
    found
  end

  def closing?(token) = token.start_with?(":|", "]", ">", "|:)")

  def part(id, bars, above:)
    measures =
      bars.each_with_index.map do |bar, at|
        mine =
          bar
            .select { |_, token| token.start_with?("^") == above }
            .map { |behind, token| [behind, token.delete_prefix("^")] }
        before, behind = mine.partition { |late, _| !late }.map { |tokens| tokens.map(&:last) }
        if at.zero?
          attributes =
            "<attributes><divisions>1</divisions><time><beats>4</beats><beat-type>4</beat-type></time>#{"<staves>2</staves>" unless above}</attributes>"
        end
        %(<measure number="#{at + 1}">#{lines(before)}#{attributes}#{directions(before)}#{notes(above, mine.map(&:last).grep(/\A~/))}#{directions(behind)}#{lines(behind)}</measure>)
      end
    %(<part id="#{id}">#{measures.join}</part>)
  end

  def notes(above, inner)
    one = ->(step, octave, staff, length = 4) do
      "<note><pitch><step>#{step}</step><octave>#{octave}</octave></pitch><duration>#{length}</duration>#{"<staff>#{staff}</staff>" if staff}</note>"
    end
    return one["G", 4, nil] if above
    if inner.empty?
      return "#{one["E", 4, 1]}<backup><duration>4</duration></backup>#{one["C", 3, 2]}"
    end

    middle =
      inner
        .map do |token|
          %(<barline location="middle"><repeat direction="#{(token == "~:|") ? "backward" : "forward"}"/></barline>)
        end
        .join
    "#{one["E", 4, 1, 2]}#{middle}#{one["F", 4, 1, 2]}<backup><duration>4</duration></backup>#{one["C", 3, 2, 2]}#{one["D", 3, 2, 2]}"
  end

  def lines(tokens)
    by_side = tokens.filter_map { |token| line(token) }.group_by(&:first)
    by_side
      .map do |side, all|
        %(<barline location="#{side}">#{all.map(&:last).sort_by { |one| one.start_with?("<ending") ? 0 : 1 }.join}</barline>)
      end
      .join
  end

  def line(token)
    case token
    when *LINE.keys
      LINE.fetch(token)
    when /\A:\|(\d*)(\^?)\z/
      [
        :right,
        %(<repeat direction="backward"#{%( times="#{$1}") unless $1.empty?}#{%( after-jump="yes") unless $2.empty?}/>)
      ]
    when /\A\[=(.+)\z/
      [:left, %(<ending number="" type="start">#{$1.tr("_", " ")}</ending>)]
    when /\A\[(.+)\z/
      [:left, %(<ending number="#{$1.tr("+", ",")}" type="start"/>)]
    when "]"
      [:right, %(<ending number="1" type="stop"/>)]
    when ">"
      [:right, %(<ending number="1" type="discontinue"/>)]
    end
  end

  def directions(tokens)
    tokens.filter_map { |token| direction(token) }.join
  end

  def direction(token)
    case token
    when "$"
      said("<segno/>")
    when "@"
      said("<coda/>")
    when /\A'(.+)'\z/
      said(
        *$1
          .tr("_", " ")
          .split(/(\{\w+\})/)
          .reject { |one| one.strip.empty? }
          .map { |one| one.start_with?("{") ? "<#{one[1..-2]}/>" : "<words>#{one}</words>" }
      )
    when /\A\*(\w+)=?(\w*)\z/
      %(<sound #{$1}="#{$2.empty? ? "yes" : $2}"/>)
    end
  end

  def said(*types) =
    "<direction placement=\"above\">#{types.map { |one| "<direction-type>#{one}</direction-type>" }.join}</direction>"
end
