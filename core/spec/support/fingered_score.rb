# frozen_string_literal: true

# Writes a score of two staves that carries its fingers as MusicXML, as another program would hand
# it over: bars between "|", notes "C5/16-3" (a sixteenth with the third finger), dots behind the
# length, chords joined by "+", rests "r/4".
module FingeredScore
  DIVISIONS = 64 # of a quarter: a dotted sixty-fourth still has a whole number
  TYPES = {
    1 => "whole",
    2 => "half",
    4 => "quarter",
    8 => "eighth",
    16 => "16th",
    32 => "32nd"
  }.freeze
  SHARPS = { "#" => 1, "b" => -1 }.freeze

  module_function

  # @param fifths [Integer] of the key
  # @param meter [String] "2/4"
  # @param hands [Hash{Symbol=>String}] :right, :left; a hand left out is silent
  # @return [Stairwell::Score::Map]
  def read(fifths:, meter:, **hands) = Stairwell::Formats::MusicXML.read(xml(fifths, meter, hands))

  # @return [Array<Integer>] the printed fingers of a hand, in the order of its notes
  def printed(text) = text.scan(/-([1-5])/).flatten.map(&:to_i)

  def xml(fifths, meter, hands)
    beats, unit = meter.split("/")
    staves = hands.transform_values { |text| text.split("|") }
    measures =
      Array.new(staves.values.map(&:size).max) do |at|
        attributes =
          "<attributes><divisions>#{DIVISIONS}</divisions><key><fifths>#{fifths}</fifths></key><time><beats>#{beats}</beats><beat-type>#{unit}</beat-type></time><staves>2</staves><clef number='1'><sign>G</sign><line>2</line></clef><clef number='2'><sign>F</sign><line>4</line></clef></attributes>"
        short = staves.values.filter_map { |bars| length(bars[at]) if bars[at] }.max
        "<measure number='#{at + 1}'#{" implicit='yes'" if at.zero? && short < Rational(meter)}>#{attributes if at.zero?}#{staff(staves[:right]&.at(at), 1)}<backup><duration>#{(short * 4 * DIVISIONS).to_i}</duration></backup>#{staff(staves[:left]&.at(at) || "r/#{short.denominator}", 2)}</measure>"
      end
    "<?xml version='1.0'?><score-partwise version='4.0'><work><work-title>Fingers</work-title></work><part-list><score-part id='P1'><part-name>Piano</part-name></score-part></part-list><part id='P1'>#{measures.join}</part></score-partwise>"
  end

  def staff(bar, staff) = bar.to_s.split.map { |token| note(token, staff) }.join

  def note(token, staff)
    pitches, _, dots = parts(token)
    pitches
      .split("+")
      .each_with_index
      .map do |one, at|
        name, finger = one.split("-")
        "<note>#{"<chord/>" if at.positive?}#{pitch(name)}<duration>#{(length(token) * 4 * DIVISIONS).to_i}</duration><voice>#{staff}</voice><type>#{TYPES.fetch(parts(token)[1])}</type>#{"<dot/>" * dots}<staff>#{staff}</staff>#{"<notations><technical><fingering>#{finger}</fingering></technical></notations>" if finger}</note>"
      end
      .join
  end

  def pitch(name)
    return "<rest/>" if name == "r"

    step, sign, octave = name.match(/\A([A-G])([#b]?)(\d)\z/).captures
    "<pitch><step>#{step}</step>#{"<alter>#{SHARPS[sign]}</alter>" if SHARPS[sign]}<octave>#{octave}</octave></pitch>"
  end

  # @return [Array(String, Integer, Integer)] pitches with their fingers, length and dots
  def parts(token)
    pitches, value = token.split("/")
    [pitches, value.to_i, value.count(".")]
  end

  # @return [Rational] of a token or a bar, in wholes
  def length(text)
    text.split.sum do |token|
      _, value, dots = parts(token)
      Rational(1, value) * (2 - Rational(1, 2**dots))
    end
  end
end
