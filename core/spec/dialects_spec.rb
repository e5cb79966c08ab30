# frozen_string_literal: true

require_relative "spec_helper"
require_relative "support/dialects"
require_relative "support/generated_roadmap"

# The same pieces as three kinds of programs write them: what is played, in which order and by which
# hand, is the same.
RSpec.describe "A piece in the dialects of several programs" do
  score = Stairwell::Score
  # Notes for both hands, some of them chords, none over a bar line.
  filled = ->(map, random) do
    hand = ->(octave) do
      lengths = [
        [1r],
        [1 / 2r, 1 / 2r],
        [1 / 4r, 1 / 2r, 1 / 4r],
        [1 / 4r, 1 / 4r, 1 / 2r],
        [3 / 8r, 1 / 8r, 1 / 2r],
        [1 / 8r] * 8
      ].sample(random: random)
      at = 0r
      lengths.flat_map do |length|
        onset, at = at, at + length
        next [] if random.rand < 0.15

        steps = score::Pitch::STEPS.sample((random.rand < 0.25) ? 2 : 1, random: random)
        steps.map do |step|
          score::Note.new(
            onset: onset,
            length: length,
            pitch: score::Pitch.new(step: step, octave: octave, alter: random.rand(-1..1))
          )
        end
      end
    end
    map.with(notes: map.bars.to_h { |bar| [bar.index, { right: hand[4], left: hand[2] }] })
  end
  # What sounds, tied notes as one.
  sounding = ->(map, offsets) do
    map
      .notes
      .flat_map do |bar, hands|
        hands.flat_map do |hand, notes|
          notes.map do |note|
            [hand, offsets[bar] + note.onset, note.pitch.midi, note.length, note.tied]
          end
        end
      end
      .sort
      .each_with_object([]) do |(hand, at, key, length, tied), found|
        before =
          tied && found.find { |one| one[0] == hand && one[2] == key && one[1] + one[3] == at }
        before ? before[3] += length : found << [hand, at, key, length]
      end
      .sort
  end
  offsets = ->(map) do
    map
      .bars
      .each_with_object([{}, 0r]) do |bar, found|
        found[0][bar.index] = found[1]
        found[1] += bar.length
      end
      .first
  end

  Dialects
    .constants
    .grep(/Notation|Sequencer|Scanner/)
    .each do |name|
      it "is the same as #{name.downcase} writes it" do
        (1..120).each do |seed|
          random = Random.new(seed)
          map = filled[GeneratedRoadmap.new(random).map, random]
          writer = Dialects.const_get(name).new(map, random)
          read = Stairwell::Formats::MusicXML.read(writer.to_s)
          order = Stairwell::Roadmap.read(read).order
          # Halves of a bar are one.
          if writer.respond_to?(:of)
            order =
              order
                .map { |bar| writer.of[bar - 1] }
                .chunk_while { |one, other| one == other && writer.of.count(one) > 1 }
                .flat_map { |run| [run.first] * [run.size / writer.of.count(run.first), 1].max }
          end
          expect([seed, order]).to eq([seed, Stairwell::Roadmap.read(map).order])
          expect([seed, sounding[read, offsets[read]]]).to eq([seed, sounding[map, offsets[map]]])
        end
      end
    end
end
