# frozen_string_literal: true

require_relative "spec_helper"

RSpec.describe Stairwell::Practice::WarmUps do
  keys =
    (-7..7).flat_map do |fifths|
      %w[major minor].map { |mode| Stairwell::Score::Key.new(fifths: fifths, mode: mode) }
    end

  def plain(names) = names.map { |name| name.to_s.tr("♯♭", "#b").sub("𝄪", "##").gsub(/\d/, "") }

  # Outside check: the general-purpose gem head_music, which knows nothing of us.
  keys.each do |key|
    describe key.to_s do
      it "has the scale and the signature that head_music gives" do
        tonic = "#{key.tonic}4"
        scale =
          HeadMusic::Rudiment::Scale.get(tonic, (key.mode == "minor") ? :harmonic_minor : :major)
        expect(Stairwell::Score::Scale.new(key).names).to eq(plain(scale.pitches))
        signature = HeadMusic::Rudiment::KeySignature.get("#{key.tonic} #{key.mode}")
        expect(key.fifths).to eq(signature.num_sharps - signature.num_flats)
      end

      next if Stairwell::Aspects::ScaleFingers::MAJOR[key.tonic].nil? && key.mode == "major"

      # Physical: the thumb is too short for black keys and goes under, the
      # others go over; no finger plays two neighbours.
      it "keeps the thumb on white keys and never uses a finger twice in a row" do
        notes = Stairwell::Score::Scale.new(key).names
        Stairwell::Aspects::ScaleFingers
          .of(key)
          .each do |hand|
            expect(hand.size).to eq(8)
            thumbs = hand.each_index.select { |at| hand[at] == 1 }
            black =
              notes.each_index.select do |at|
                Stairwell::Score::Pitch.parse("#{notes[at]}4").midi % 12 in 1 | 3 | 6 | 8 | 10
              end
            expect(thumbs & black).to eq([])
            expect(hand.each_cons(2)).to all(satisfy { |a, b| a != b })
          end
      end
    end
  end

  # J. F. Cooke, Mastering the Scales and Arpeggios, 1913 (from memory): a few rows.
  {
    "D major" => %w[12312345 54321321],
    "Bb major" => %w[41231234 32143213],
    "F# minor" => %w[34123123 43213214]
  }.each do |name, (right, left)|
    it "fingers #{name} as the handbook does" do
      expect(
        Stairwell::Aspects::ScaleFingers.of(Stairwell::Score::Key.parse(name)).map(&:join)
      ).to eq([right, left])
    end
  end

  it "gives the tonic chord in three positions, and five fingers on five keys" do
    chords = described_class.chords(Stairwell::Score::Key.parse("G major"))
    expect(
      chords.map { |one| [one.notes.join(" "), one.fingers[:right].join, one.fingers[:left].join] }
    ).to eq([["G B D", "135", "531"], ["B D G", "125", "531"], ["D G B", "135", "521"]])
    expect(described_class.five_finger(Stairwell::Score::Key.parse("D minor"))).to have_attributes(
      notes: %w[D E F G A],
      minutes: 1
    )
    expect(
      described_class
        .of(Stairwell::Score::Key.parse("F major"), %i[scale chords])
        .map(&:title)
        .first
    ).to eq("F major scale: right, left, both hands")
  end

  # I, IV and V are the triads on those degrees of the scale, whose notes the
  # library names; a class plays them in the key and its neighbours in fifths.
  it "progresses through the key and its neighbours" do
    found =
      Stairwell::Practice::WarmUps.progression(Stairwell::Score::Key.new(fifths: 1, mode: "major"))
    expect(found.map { |one| one.title[/\A\S+/] }).to eq(%w[G D C])
    found.each do |one|
      scale =
        HeadMusic::Rudiment::Scale
          .get("#{one.title[/\A\S+/]}4", :major)
          .pitches
          .map { |pitch| pitch.spelling.to_s.tr("♯♭", "#b") }
      triads = { "I" => [0, 2, 4], "IV" => [3, 5, 0], "V" => [4, 6, 1] }
      one.notes.each do |chord|
        degree, notes = chord.split(": ")
        expect(notes.split).to match_array(scale.values_at(*triads.fetch(degree)))
      end
    end
    expect(
      Stairwell::Practice::WarmUps.progression(Stairwell::Score::Key.new(fifths: 7)).size
    ).to eq(2)
  end

  # The syllables of the solfège as the library has them; do is always C.
  it "names notes in fixed do" do
    syllables = HeadMusic::Rudiment::Solmization.get("solfège").syllables
    names = Stairwell::Score::Names.method(:of)
    expect(%w[C D E F G A B].map { |letter| names.call(letter, :fixed_do) }).to eq(syllables)
    expect([names.call("F#", :fixed_do), names.call("Bb"), names.call("Bb", :fixed_do)]).to eq(
      %w[fa♯ B♭ ti♭]
    )
  end
end
