# frozen_string_literal: true

# What reading a score takes for bin/bench, against the engraving library, and how a survey grows.
module BenchReading
  private

  # A score with notes, repeats and endings.
  def score(count)
    notes = (1..count).to_h { |bar| [bar, { right: melody(bar), left: melody(bar + 3) }] }
    repeats =
      (0...count / 10).map { |at| Stairwell::Score::Repeat.new(from: at * 10 + 1, to: at * 10 + 8) }
    endings =
      (0...count / 10).flat_map do |at|
        [[[1], 8], [[2], 9]].map do |passes, bar|
          Stairwell::Score::Ending.new(passes: passes, from: at * 10 + bar, to: at * 10 + bar)
        end
      end
    map =
      Stairwell::Score::Map.new(
        title: "#{count} bars",
        bars:
          Stairwell::Score.bars(count, meters: [Stairwell::Score::Meter.new(beats: 4, unit: 4)]),
        notes: notes,
        repeats: repeats,
        endings: endings
      )
    Stairwell::Formats::MusicXML.write(map)
  end

  def melody(bar)
    (0...4).map do |beat|
      pitch =
        Stairwell::Score::Pitch.new(
          step: Stairwell::Score::Pitch::STEPS[(bar + beat) % 7],
          octave: 4
        )
      Stairwell::Score::Note.new(onset: beat / 4r, length: 1 / 4r, pitch: pitch)
    end
  end

  VEROVIO = <<~JS
    import { readFileSync } from "node:fs";
    import createVerovioModule from "verovio/wasm";
    import { VerovioToolkit } from "verovio/esm";
    const toolkit = new VerovioToolkit(await createVerovioModule());
    const score = readFileSync(0, "utf8");
    const times = [];
    let played = 0;
    const rounds = score.length > 1_000_000 ? 3 : 9;
    for (let round = 0; round < rounds; round += 1) {
      const start = performance.now();
      toolkit.loadData(score);
      times.push(performance.now() - start);
      played = toolkit.renderToTimemap({ includeMeasures: true }).filter((entry) => entry.measureOn).length;
    }
    process.stdout.write(JSON.stringify({ median: times.sort((a, b) => a - b)[(rounds - 1) / 2], played }));
  JS

  def reading(count)
    text = score(count)
    ours =
      median((count > 1_000) ? 3 : Bench::ROUNDS) do
        Stairwell::Roadmap.read(Stairwell::Formats::MusicXML.read(text)).bars_played
      end
    out, err, status =
      Open3.capture3(
        "node",
        "--input-type=module",
        "-e",
        VEROVIO,
        stdin_data: text,
        chdir: File.expand_path("../../web", __dir__)
      )
    abort err unless status.success?
    theirs = JSON.parse(out)
    played = Stairwell::Roadmap.read(Stairwell::Formats::MusicXML.read(text)).bars_played
    abort "not the same playing order" unless theirs["played"] == played
    row(
      "read and unfold #{count} bars (#{played} played)",
      ours,
      theirs["median"] / 1000,
      "verovio, its load of the same file alone, as it comes"
    )
  end

  # What is looked at before a piece is played may grow no faster than its bars.
  def surveying
    short, long = [200, 2_000].map { |bars| Stairwell::Formats::MusicXML.read(score(bars)) }
    ours, theirs =
      [[long, 3], [short, Bench::ROUNDS]].map do |map, rounds|
        median(rounds) { Stairwell::Sections.survey(map).summary }
      end
    row("the survey of 2000 bars", ours, theirs, "of 200 bars; at most 12 ×")
  end
end
