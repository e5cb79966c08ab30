# frozen_string_literal: true

require_relative "spec_helper"
require "demo/pieces"
require "timeout"

# Good files and scripts, spoilt at random: whatever comes in, it is read or
# refused in one clear line, and everything that follows from it is computed.
RSpec.describe "Malformed input" do
  def everything(map)
    reading = Stairwell::Roadmap.read(map)
    reading.summary(tempo: 60)
    Stairwell::Roadmap.playback(map) if reading.bars_played < 3_000
    Stairwell::Roadmap.drill(map) if reading.bars_played < 3_000
    Stairwell::Sections.survey(map).summary
    script = Stairwell::Formats::PageScript.write(map)
    Stairwell::Formats::PageScript.read(script)
    Stairwell::Formats::MusicXML.write(map)
    expect(
      Stairwell::Score::Document.read(JSON.generate(Stairwell::Score::Document.dump(map)))
    ).to eq(map)
  end

  def read_or_refuse
    Timeout.timeout(20) { everything(yield) }
    :read
  rescue Stairwell::UnreadableError => error
    expect(error.message).to match(/\A[^\n]+\z/)
    :refused
  end

  # A fifth of it in every run, all of it with SLOW=1.
  many = ->(times) { Slow.whole? ? times : times / 12 }

  values = ["", "0", "-1", "99999999999", "1/0", "NaN", "x", "2.5", "D.S. al Coda", "L.H.", "🎹"]

  define_method(:spoil_tree) do |xml, random|
    document = Nokogiri.XML(xml)
    random
      .rand(1..5)
      .times do
        nodes = document.xpath("//*").to_a
        node = nodes[random.rand(nodes.size)]
        case random.rand(5)
        when 0
          node.remove unless node == document.root
        when 1
          node.add_next_sibling(node.dup) unless node == document.root
        when 2
          (node.element_children.empty? ? node : nodes[random.rand(nodes.size)]).then do |one|
            one.content = values.sample(random: random) if one.element_children.empty?
          end
        when 3
          node
            .attribute_nodes
            .sample(random: random)
            &.then { |one| one.value = values.sample(random: random) }
        else
          nodes[random.rand(nodes.size)].then do |other|
            unless other.ancestors.include?(node) || other == document.root
              node.add_child(other.dup)
            end
          end
        end
      end
    document.to_xml
  end

  it "never stops a score: thousands with elements taken out, doubled, moved or filled with nonsense" do
    random = Random.new(11)
    marked = Stairwell::Formats::MusicXML.read(Stairwell::Formats::MusicXML.write(page(<<~TEXT)))
      page 3: 4 4
      time: 3/4
      pickup: 1
      repeat: 1-4
      ending 1: 3-4
      ending 2: 5
      segno: 2
      to coda: 4
      dal segno: 6 al coda
      coda: 7
      dynamics: 1 mf, 2-3 louder
      pedal: 4-5
      octave: 6 right hand, up
      section A: 1-4
    TEXT
    fog = Demo::Pieces.all.map(&:map).min_by { |map| map.bars.size }
    sources = [Stairwell::Formats::MusicXML.write(fog), Stairwell::Formats::MusicXML.write(marked)]
    results =
      Array.new(many[2_000]) do |at|
        read_or_refuse { Stairwell::Formats::MusicXML.read(spoil_tree(sources[at % 2], random)) }
      end
    expect(results.count(:read)).to be > many[1_000]
  end

  it "never stops a score: hundreds with spoilt bytes, plain and compressed" do
    random = Random.new(3)
    fog = Demo::Pieces.all.map(&:map).min_by { |map| map.bars.size }
    [
      Stairwell::Formats::MusicXML.write(fog).b,
      Stairwell::Formats::MusicXML.compress(fog).b
    ].each do |source|
      many[500].times do
        read_or_refuse { Stairwell::Formats::MusicXML.read(Spoiling.bytes(source, random)) }
      end
    end
  end

  it "never stops a script: thousands with lines, words and letters spoilt" do
    random = Random.new(5)
    examples = Stairwell::Formats::PageScript::Keywords::EXAMPLES.values
    results =
      Array.new(many[4_000]) do
        lines = [
          "page 12: 4 4 5 4",
          "page 13: 5 4 4",
          *examples.sample(random.rand(1..12), random: random)
        ]
        text = Spoiling.bytes(lines.join("\n").b, random, most: 3)
        read_or_refuse do
          Stairwell::Formats::PageScript.read(text.force_encoding("UTF-8")).map ||
            raise(Stairwell::UnreadableError, "no page")
        end
      end
    expect(results.count(:read)).to be > many[2_000]
  end

  it "never stops a change: statements of any kind put into and dropped from scripts of any kind" do
    random = Random.new(7)
    examples = Stairwell::Formats::PageScript::Keywords::EXAMPLES.values
    many[1_000].times do
      script =
        (["page 12: 4 4 5 4", "page 13: 5 4 4"] + examples.sample(8, random: random)).shuffle(
          random: random
        ).join("\n")
      put, drop =
        Array.new(2) do
          examples
            .sample(3, random: random)
            .map { |one| Spoiling.bytes(one.b, random, most: 1).force_encoding("UTF-8").scrub("?") }
        end
      after =
        Stairwell::Formats::PageScript::Edit.new(script).call(put: put, drop: drop, lenient: true)
      Stairwell::Formats::PageScript.read(after).map&.then { |map| everything(map) }
    end
  end
end
