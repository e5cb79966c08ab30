# frozen_string_literal: true

require_relative "spec_helper"

RSpec.describe "Jumps" do
  # The worked examples of docs/rules.md.
  it "are played as the worked examples say" do
    examples = {
      "bars: 30\nsegno: 5\nrepeat: 9-13\nrepeat: 14-21\nending 1: 21\nending 2: 22\nto coda: 13\ndal segno: 26 al coda\ncoda: 27" => [
        [1, 13],
        [9, 21],
        [14, 20],
        [22, 26],
        [5, 13],
        [27, 30]
      ],
      "bars: 24\nsegno: 3\nfine: 14\ndal segno: 24 al fine" => [[1, 24], [3, 14]],
      "bars: 28\nrepeat: 1-6\nrepeat: 7-12\nfine: 12\nrepeat: 13-20 x3\nrepeat: 21-28\nda capo: 28 al fine" => [
        [1, 6],
        [1, 12],
        [7, 20],
        [13, 20],
        [13, 28],
        [21, 28],
        [1, 12]
      ]
    }
    examples.each do |script, expected|
      expect(runs(script)).to eq(expected)
      expect(codes(script)).to eq([])
      map = page(script)
      expect(page(Stairwell::Formats::PageScript.write(map))).to eq(map)
      expect(
        Stairwell::Score::Document.load(
          JSON.parse(JSON.generate(Stairwell::Score::Document.dump(map)))
        )
      ).to eq(map)
    end
  end

  # Hand-made: what comes after a jump.
  it "take repeats again only when that is said" do
    once = "bars: 8\nrepeat: 1-4\nda capo: 8"
    expect(runs(once)).to eq([[1, 4], [1, 8], [1, 8]])
    expect(runs("#{once} with repeats")).to eq([[1, 4], [1, 8], [1, 4], [1, 8]])
  end

  it "play the last ending after a jump, and the single pass counts as the last" do
    script = "bars: 8\nrepeat: 1-4\nending 1: 4\nending 2: 5\nda capo: 8 al fine\nfine: 6"
    expect(runs(script)).to eq([[1, 4], [1, 3], [5, 8], [1, 3], [5, 6]])
    expect(Stairwell::Roadmap.read(page(script)).visits.last(5).map(&:pass)).to eq([2, 2, 2, 2, 1])
  end

  it "take a repeat that is first met in the coda in full" do
    expect(runs("bars: 12\nto coda: 4\nda capo: 8 al coda\ncoda: 9\nrepeat: 9-10")).to eq(
      [[1, 8], [1, 4], [9, 10], [9, 12]]
    )
  end

  it "leave for the coda, and stop at the Fine, on the last pass only" do
    expect(
      runs("bars: 12\nrepeat: 1-4\nto coda: 4\nda capo: 8 al coda with repeats\ncoda: 9")
    ).to eq([[1, 4], [1, 8], [1, 4], [1, 4], [9, 12]])
    expect(runs("bars: 8\nrepeat: 1-4\nfine: 2\nda capo: 8 al fine with repeats")).to eq(
      [[1, 4], [1, 8], [1, 4], [1, 2]]
    )
  end

  it "heed neither Fine nor To Coda before the jump" do
    expect(runs("bars: 8\nfine: 2\nda capo: 8 al fine").first).to eq([1, 8])
  end

  it "are each taken once, several by the same rules" do
    expect(
      runs(
        "bars: 12\nsegno: 3\nto coda: 6\ndal segno: 8 al coda\ncoda: 9\nda capo: 12 al fine\nfine: 4"
      )
    ).to eq([[1, 8], [3, 6], [9, 12], [1, 4]])
  end

  it "say how each bar was reached" do
    visits =
      Stairwell::Roadmap.read(
        page("bars: 6\nsegno: 2\nto coda: 3\ndal segno: 4 al coda\ncoda: 5")
      ).visits
    expect(visits.map(&:via)).to eq(%i[start next next next dal_segno next to_coda next])
    expect(Stairwell::Roadmap.read(page("bars: 2\nda capo: 2")).visits.map(&:via)).to eq(
      %i[start next da_capo next]
    )
  end

  it "say what is missing, what was assumed, and the mend, and never stop the reading" do
    {
      "bars: 8\ndal segno: 8" => :segno_missing,
      "bars: 8\nda capo: 8 al fine" => :fine_missing,
      "bars: 8\nda capo: 8 al coda" => :coda_missing,
      "bars: 8\ncoda: 7\nda capo: 6 al coda" => :to_coda_missing,
      "bars: 8\nto coda: 4" => :to_coda_unused,
      "bars: 8\nfine: 4" => :fine_unused,
      "bars: 8\nfine: 4\nda capo: 8" => :read_as_al_fine,
      "bars: 8\ncoda: 5" => :coda_straight,
      "bars: 8\nrepeat: 1-4\nending 1: 4\nending 2: 5\nda capo: 4" => :jump_not_taken
    }.each do |script, code|
      found = Stairwell::Roadmap.read(page(script)).diagnostics
      expect(found.map(&:code)).to include(code), script
      expect(found.first.message).to match(/\A[A-Z].{30,}\.\z/)
    end
  end

  # The same jump as programs write it: by sound, by sign and words, by words.
  it "are read from scores, however they are written" do
    down = ->(inside) { "<direction>#{inside}</direction>" }
    words = ->(text) { down.call("<direction-type><words>#{text}</words></direction-type>") }
    bar = note("C4", 4)
    spellings = {
      sound: [
        "<sound segno='s'/>",
        "<sound tocoda='c'/>",
        "<sound dalsegno='s'/>",
        "<sound coda='c'/>"
      ],
      signs: [
        down.call("<direction-type><segno/></direction-type>"),
        down.call(
          "<direction-type><words>To Coda</words></direction-type><direction-type><coda/></direction-type>"
        ),
        words.call("D.S. al Coda"),
        down.call("<direction-type><coda/></direction-type>")
      ],
      words: [
        down.call("<direction-type><segno/></direction-type>"),
        words.call("to coda"),
        words.call("Dal segno al coda"),
        down.call("<direction-type><coda/></direction-type>")
      ]
    }
    spellings.each do |how, (segno, to_coda, jump, coda)|
      map = read(bar, segno + bar, bar + to_coda, bar + jump, coda + bar)
      expect([how, Stairwell::Roadmap.read(map).order]).to eq([how, [1, 2, 3, 4, 2, 3, 5]])
      expect(map.unread).to eq([])
    end
    expect(
      Stairwell::Roadmap.read(
        read(bar, bar + words.call("Fine"), bar + words.call("D. C. al Fine"))
      ).order
    ).to eq([1, 2, 3, 1, 2])
  end

  # Outside check: verovio reads the same jumps from sound attributes. Repeats
  # met before a jump are left out here: it plays them its own way after one.
  it "agree with verovio on generated pages of one jump" do
    random = Random.new(12)
    maps =
      Array.new(60) do
        bars = random.rand(6..20)
        jump = random.rand(4...bars)
        script =
          case random.rand(3)
          when 0
            ["fine: #{random.rand(1..jump)}", "da capo: #{bars} al fine"]
          when 1
            [
              "segno: #{sign = random.rand(2..jump - 1)}",
              "fine: #{random.rand(sign..jump)}",
              "dal segno: #{bars} al fine"
            ]
          else
            [
              "to coda: #{random.rand(1..jump - 1)}",
              "da capo: #{jump} al coda",
              "coda: #{jump + 1}"
            ]
          end
        page(["bars: #{bars}", *script].join("\n"))
      end
    texts = maps.map { |map| Stairwell::Formats::MusicXML.write(map) }
    ours =
      texts.map { |text| Stairwell::Roadmap.read(Stairwell::Formats::MusicXML.read(text)).order }
    expect(ours).to eq(maps.map { |map| Stairwell::Roadmap.read(map).order })
    theirs = Verovio.orders(texts)
    differing = maps.each_index.reject { |at| ours[at] == theirs[at] }
    expect(
      differing.map { |at| [Stairwell::Formats::PageScript.write(maps[at]), ours[at], theirs[at]] }
    ).to eq([])
  end
end
