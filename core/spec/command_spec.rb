# frozen_string_literal: true

require_relative "spec_helper"
require "stringio"
require "tmpdir"
require "stairwell/command"

RSpec.describe "bin/stairwell" do
  exited = Struct.new(:exitstatus)
  let(:program) { File.expand_path("../../bin/stairwell", __dir__) }
  let(:script) do
    "title: Tried\nbars: 18\ntime: 3/4\nrepeat: 1-8\nrepeat: 9-16\nending 1: 15-16\nending 2: 17-18\n"
  end

  around { |example| Dir.mktmpdir { |folder| Dir.chdir(folder) { example.run } } }

  # What the program does once it has found its gems.
  define_method(:stairwell) do |*arguments|
    out, err = StringIO.new, StringIO.new
    exit_status = Stairwell::Command.run(arguments, out: out, err: err)
    [out.string, err.string, exited.new(exit_status)]
  end

  # Without Bundler, as a person would call it.
  def program_says(*arguments)
    Open3.capture3(
      { "RUBYOPT" => nil, "BUNDLE_GEMFILE" => nil, "RUBYLIB" => nil },
      program,
      *arguments
    )
  end

  it "is the same as a program of its own, where it works and where it does not" do
    File.write("a.txt", script)
    File.write("bad.txt", "bars: 4\nrepaet: 1-2\n")
    [%w[roadmap a.txt --json], %w[roadmap bad.txt], %w[ladder 60 72], []].each do |arguments|
      out, err, status = program_says(*arguments)
      expect([out, err, status.exitstatus]).to eq(
        stairwell(*arguments).then { |o, e, s| [o, e, s.exitstatus] }
      )
    end
  end

  it "prints the playing order of scripts and scores, plain and compressed, the same" do
    map = page(script)
    File.write("a.txt", script)
    File.write("a.musicxml", Stairwell::Formats::MusicXML.write(map))
    File.write("a.xml", Stairwell::Formats::MusicXML.write(map))
    File.binwrite("a.mxl", Stairwell::Formats::MusicXML.compress(map))
    answers = %w[a.txt a.musicxml a.xml a.mxl].map { |file| stairwell("roadmap", file, "--json") }
    expect(answers.map { |_, err, status| [err, status.exitstatus] }).to all(eq(["", 0]))
    read = answers.map { |out, _, _| JSON.parse(out) }
    expect(read.uniq.size).to eq(1)
    expect(read.first).to include(
      "title" => "Tried",
      "bars_printed" => 18,
      "bars_played" => 32,
      "runs" => [[1, 8], [1, 16], [9, 14], [17, 18]],
      "counts_played" => "96",
      "never_played" => [],
      "diagnostics" => []
    )
    expect(read.first["order"].size).to eq(32)
  end

  it "converts between script, map and score, and gives a map as it was" do
    File.write("a.txt", script)
    File.write("a.json", stairwell("convert", "a.txt", "--to", "map").first)
    same = stairwell("convert", "a.json", "--to", "map").first
    expect(JSON.parse(same)).to eq(JSON.parse(File.read("a.json")))
    expect(stairwell("convert", "a.json", "--to", "script").first).to eq(script)
    File.write("a.musicxml", stairwell("convert", "a.json", "--to", "musicxml").first)
    order = ->(file) { JSON.parse(stairwell("roadmap", file, "--json").first)["order"] }
    expect(order["a.musicxml"]).to eq(order["a.txt"])
    [%w[convert a.txt], %w[convert a.txt --to pdf], %w[convert --to map]].each do |wrong|
      out, err, status = stairwell(*wrong)
      expect([out, status.exitstatus, err.lines.size]).to eq(["", 2, 1])
    end
  end

  it "gives exact counts and complete diagnostics" do
    File.write("b.txt", "bars: 4\ntime: 4/4\npickup: 1/2\n")
    out, = stairwell("roadmap", "b.txt", "--json")
    expect(JSON.parse(out)["counts_played"]).to eq("33/2")
    expect(JSON.parse(out)["diagnostics"]).to match(
      [{ "code" => "complement", "bar" => 5, "message" => /counts/ }]
    )
  end

  it "gives every visit, the page turns, and the seconds at a tempo" do
    File.write(
      "c.txt",
      "page 1: 2\npage 2: 2\ntime: 4/4\nda capo: 4 al fine\nfine: 2\npass 2: 1 softly\n"
    )
    out, = stairwell("roadmap", "c.txt", "--json", "--tempo", "120")
    read = JSON.parse(out)
    expect(read["visits"].last(2)).to eq(
      [
        { "bar" => 1, "time" => 2, "pass" => 1, "via" => "da_capo", "notes" => ["softly"] },
        { "bar" => 2, "time" => 2, "pass" => 1, "via" => "next", "notes" => [] }
      ]
    )
    expect(read.values_at("page_turns", "seconds")).to eq([2, 12.0])
    expect(stairwell("roadmap", "c.txt", "--tempo", "0").last.exitstatus).to eq(2)
  end

  it "prints any map as a page script that reads back the same" do
    File.write("a.musicxml", Stairwell::Formats::MusicXML.write(page(script)))
    out, = stairwell("script", "a.musicxml")
    expect(Stairwell::Roadmap.read(page(out)).order).to eq(
      Stairwell::Roadmap.read(page(script)).order
    )
    File.write("again.txt", out)
    expect(stairwell("script", "again.txt").first).to eq(out)
  end

  it "prints for people without --json" do
    File.write("a.txt", script)
    expect(stairwell("roadmap", "a.txt").first).to include(
      "1–8, 1–16, 9–14, 17–18",
      "32 bars of 18 printed, 96 counts"
    )
  end

  # Bars are called by their printed numbers, also where these begin anew; what was typed is said.
  it "surveys for people in printed numbers, and says the same as data" do
    File.write(
      "s.txt",
      "title: Tried\npickup: 1\nbars: 8\ntime: 3/4\nbar 5: number 21\nsection A: 0-4\nsection B: 21-24\ntempo: Andante\nharmony: 1-2 I, 3 V7\npart 1: 0-4\npart 2: 21-24\nguide right at 22: finger 3 on E4\n"
    )
    said = stairwell("survey", "s.txt").first
    expect(said).to include(
      "A: 0–4\nB: 21–24\nParts: 0–4, 21–24\n",
      "harmony: I at bars 1–2; V7 at bar 3\n",
      "right hand: at bar 22 finger 3 guides the hand to E4\n"
    )
    read = JSON.parse(stairwell("survey", "s.txt", "--json").first)
    expect(
      read["look"].map { |fact| "#{fact["topic"]}: #{fact["text"]}" } - said.lines.map(&:chomp)
    ).to eq([])
    expect([read["numbers"], read["parts"]]).to eq(
      [[0, 1, 2, 3, 4, 21, 22, 23, 24], [[1, 5], [6, 9]]]
    )
  end

  it "answers bad input with exit 2 and one clear line" do
    File.write("bad.txt", "bars: 4\nrepaet: 1-2\n")
    File.write("bad.xml", "<score-partwise><part>")
    File.write("bad.pdf", "x")
    [
      %w[roadmap bad.txt],
      %w[roadmap bad.xml],
      %w[roadmap bad.pdf],
      %w[roadmap missing.txt],
      %w[roadmap .],
      [],
      ["dance"],
      %w[roadmap bad.txt --loud]
    ].each do |arguments|
      out, err, status = stairwell(*arguments)
      expect([out, status.exitstatus]).to eq(["", 2]), arguments.inspect
      expect(err).to match(/\A[^\n]{10,}\n\z/)
    end
    expect(stairwell("roadmap", "bad.txt")[1]).to include("line 2, column 1", "Try: repeat: 1-2")
  end

  it "loads no web code" do
    File.write("a.txt", script)
    core = File.expand_path("../lib", __dir__)
    code =
      "require 'stairwell/command'; Stairwell::Command.run(%w[roadmap a.txt], out: $stdout, err: $stderr); puts $LOADED_FEATURES.grep(/sinatra|sequel|rack|roda/).size"
    out, = Open3.capture2("ruby", "-I", core, "-e", code)
    expect(out.lines.last).to eq("0\n")
  end
end
