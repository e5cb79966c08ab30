# frozen_string_literal: true

require_relative "spec_helper"
require_relative "../../bin/lib/mutations"

# How well the specs notice is counted by changing the core; what it is changed to is checked here.
RSpec.describe Mutations do
  let(:root) { File.expand_path("../..", __dir__) }
  let(:changes) { described_class.new(root, count: 1, seed: 1).all }

  it "finds changes in all three folders, each of one token, and none in comments or texts" do
    expect(changes.map { |one| one.file[%r{stairwell/(\w+)/}, 1] }.uniq).to contain_exactly(
      "practice",
      "planning",
      "progress"
    )
    changes
      .sample(200, random: Random.new(1))
      .each do |one|
        before = File.readlines(File.join(root, one.file))
        after = one.on(before).lines
        expect(before.zip(after).count { |was, is| was != is }).to eq(1)
        expect(one.text[one.column, one.from.size]).to eq(one.from)
        expect(one.text[...one.column]).not_to match(/#(?!\{)/)
      end
  end

  it "names a change the same wherever its line stands" do
    one = changes.first
    expect(one.dup.tap { |moved| moved.line = 9_999 }.key).to eq(one.key)
    expect(one.key).to include(one.text.strip, one.from, one.to)
  end
end
