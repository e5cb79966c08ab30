# frozen_string_literal: true

require_relative "spec_helper"
require "active_support"
require "head_music"

RSpec.describe Stairwell::Practice::WarmUps do
  keys = (-7..7).flat_map { |fifths| %w[major minor].map { |mode| Stairwell::Score::Key.new(fifths: fifths, mode: mode) } }

  def plain(names) = names.map { |name| name.to_s.tr("♯♭", "#b").sub("𝄪", "##").gsub(/\d/, "") }

  # Outside check: the general-purpose gem head_music, which knows nothing of us.
  keys.each do |key|
    describe key.to_s do
      it "has the scale and the signature that head_music gives" do
        tonic = "#{key.tonic}4"
        scale = HeadMusic::Rudiment::Scale.get(tonic, (key.mode == "minor") ? :harmonic_minor : :major)
        expect(Stairwell::Sections::Scale.new(key).names).to eq(plain(scale.pitches))
        signature = HeadMusic::Rudiment::KeySignature.get("#{key.tonic} #{key.mode}")
        expect(key.fifths).to eq(signature.num_sharps - signature.num_flats)
      end

      next if described_class::MAJOR[key.tonic].nil? && key.mode == "major"

      # Physical: the thumb is too short for black keys and goes under, the
      # others go over; no finger plays two neighbours.
      it "keeps the thumb on white keys and never uses a finger twice in a row" do
        notes = Stairwell::Sections::Scale.new(key).names
        described_class.fingers(key).each do |hand|
          expect(hand.size).to eq(8)
          thumbs = hand.each_index.select { |at| hand[at] == 1 }
          black = notes.each_index.select { |at| Stairwell::Score::Pitch.parse("#{notes[at]}4").midi % 12 in 1 | 3 | 6 | 8 | 10 }
          expect(thumbs & black).to eq([])
          expect(hand.each_cons(2)).to all(satisfy { |a, b| a != b })
        end
      end
    end
  end

  # Hanon, The Virtuoso Pianist, part 2, exercise 39 (from memory): a few rows.
  {"D major" => %w[12312345 54321321], "Bb major" => %w[41231234 32143213], "F# minor" => %w[34123123 43213214]}.each do |name, (right, left)|
    it "fingers #{name} as the handbook does" do
      expect(described_class.fingers(Stairwell::Score::Key.parse(name)).map(&:join)).to eq([right, left])
    end
  end

  it "gives the tonic chord in three positions, and five fingers on five keys" do
    chords = described_class.chords(Stairwell::Score::Key.parse("G major"))
    expect(chords.map { |one| [one.notes.join(" "), one.fingers[:right].join, one.fingers[:left].join] }).to eq([["G B D", "135", "531"], ["B D G", "125", "531"], ["D G B", "135", "521"]])
    expect(described_class.five_finger(Stairwell::Score::Key.parse("D minor"))).to have_attributes(notes: %w[D E F G A], minutes: 1)
    expect(described_class.of(Stairwell::Score::Key.parse("F major"), %i[scale chords]).map(&:title).first).to eq("F major scale: right, left, both hands")
  end
end
