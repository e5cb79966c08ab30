# frozen_string_literal: true

require_relative "spec_helper"
require_relative "support/studies"

# What is offered where a piece is late can be taken, and makes it ready sooner: every option of
# simulated students, two hundred of them with SLOW.
RSpec.describe "What would help many students" do
  # @return [Stairwell::Studio::Record] weeks on, each piece due a week before its cautious date
  def late(seed)
    made = Studies.new(seed).weeks(1 + seed % 4).last&.record or return
    outlooks = Stairwell::Studio::Outlooks.new(made).to_h
    made.with(
      pieces:
        made.pieces.map do |piece|
          cautious = outlooks.fetch(piece.id).cautious
          piece.with(due_on: cautious && (cautious - 7), newest_page: piece.page, target_tempo: 76)
        end
    )
  end

  def expect_sooner(record, piece)
    before = Stairwell::Studio::Outlooks.new(record).to_h.fetch(piece.id).cautious
    ways = Stairwell::Studio::WaysOut.new(record, piece)
    ways.to_a.each do |way|
      expect(way.date).to be < before
      taken = ways.take(way.change)
      expect(Stairwell::Studio::Outlooks.new(taken).to_h.fetch(piece.id).cautious).to eq(way.date)
    end
  end

  it "is never later, and never refused" do
    found = 0
    (Slow.whole? ? 200 : 3).times do |seed|
      record = late(seed) or next
      piece = record.pieces.find { |piece| piece.due_on && piece.progress.steps.any? } or next
      found += expect_sooner(record, piece).size
    end
    expect(found).to be > 0
  end
end
