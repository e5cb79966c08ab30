# frozen_string_literal: true

require_relative "spec_helper"
require_relative "support/hostile"

# What is counted before anything is made of it. A guard that came off would keep these
# examples running until the machine gives up.
RSpec.describe "Hostile files" do
  let(:document) do
    JSON.parse(
      JSON.generate(
        Stairwell::Score::Document.dump(
          page("page 1: 4 4\ntime: 4/4\nsection A: 1-4\nsection B: 5-8")
        )
      )
    )
  end

  def refusal
    yield
    nil
  rescue Stairwell::UnreadableError => error
    error
  end

  Hostile.scores.each do |name, (bytes, code)|
    it "#{code ? "refuses" : "reads"} #{name}" do
      found =
        refusal { Stairwell::Sections.survey(Stairwell::Formats.read(bytes, name: name)).summary }
      expect(found&.code).to eq(code)
      expect(found.message).to match(/\A[^\n]{20,300}\.\z/) if code
    end
  end

  Hostile.scripts.each do |name, script|
    it "takes the script of #{name} only in part, and says why" do
      result = Stairwell::Formats::PageScript.read(script)
      expect(result.problems.size).to be_between(1, 101)
      expect(result.problems.map(&:message)).to all(match(/\A[^\n]{5,300}\z/))
    end
  end

  it "refuses every spoilt map" do
    expect(refusal { Stairwell::Score::Document.read(JSON.generate(document)) }).to be_nil
    Hostile
      .maps(document)
      .each do |name, json|
        expect([name, refusal { Stairwell::Score::Document.read(json) }&.message]).to match(
          [name, /\A[^\n]{10,400}\z/]
        )
      end
  end

  it "says what a page may hold in one place, whatever it was made of" do
    script = "bars: 9\n" + (1..201).map { |at| "section S#{at}: 1-2\n" }.join
    map = document.merge("sections" => document["sections"].cycle.first(201))
    said = [
      Stairwell::Formats::PageScript.read(script).problems.first.message,
      refusal { Stairwell::Score::Document.read(JSON.generate(map)) }.message
    ]
    expect(said.uniq).to eq(
      [
        "There are 201 sections; Stairwell takes up to 200 in a piece. Take away those that are not needed, or make two pieces of it."
      ]
    )
  end
end
