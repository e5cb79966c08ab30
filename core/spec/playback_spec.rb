# frozen_string_literal: true

require_relative "spec_helper"
require "demo/pieces"

RSpec.describe "Walking through a piece" do
  let(:coda_page) do
    page(
      "page 12: 4 4 4\npage 13: 4 4\nsegno: 5\nto coda: 8\ndal segno: 16 al coda\ncoda: 17\nrepeat: 1-4\nending 1: 4\nending 2: 5"
    )
  end

  describe "sounded" do
    it "begins each bar when the bars before it are over, and ends after the seconds of one playing" do
      Demo::Pieces
        .all
        .map(&:map)
        .each do |map|
          sounded = Stairwell::Roadmap.playback(map)
          reading = Stairwell::Roadmap.read(map)
          expect(sounded[:bars].map { |bar| bar[:bar] }).to eq(reading.order)
          expect(sounded[:seconds]).to be_within(0.001).of(reading.seconds)
          expect(sounded[:bars].map { |bar| bar[:at] }).to eq(
            sounded[:bars].map { |bar| bar[:at] }.sort
          )
          expect(sounded[:notes].size).to eq(
            reading.order.sum do |bar|
              map.notes.fetch(bar, {}).values.flatten.count { |note| !note.tied }
            end
          )
        end
    end

    it "counts in a full bar, and before a pickup what it leaves empty too" do
      expect(
        Stairwell::Roadmap.playback(page("bars: 2\ntime: 3/4"), tempo: 60)[:count_in].map(&:values)
      ).to eq([[-3.0, true], [-2.0, false], [-1.0, false]])
      pickup =
        Stairwell::Roadmap.playback(
          page("bars: 2\ntime: 3/4\npickup: 1\nbar 2: 2 counts"),
          tempo: 60
        )
      expect(pickup[:count_in].map { |one| one[:at] }).to eq([-5.0, -4.0, -3.0, -2.0, -1.0])
      expect(pickup[:bars].first[:clicks]).to eq([{ at: 0.0, strong: false }])
      expect(pickup[:bars][1][:clicks].first).to eq({ at: 1.0, strong: true })
    end

    it "holds a fermata, and slows down in a ritardando" do
      held = Stairwell::Roadmap.playback(page("bars: 2\nfermata: 1 beat 2 for 1"), tempo: 60)[:bars]
      expect(held.first[:clicks].map { |one| one[:at] }).to eq([0.0, 1.0, 3.0, 4.0])
      slow =
        Stairwell::Roadmap.playback(page("bars: 1\nritardando: 1"), tempo: 60)[:bars].first[
          :clicks
        ].map { |one| one[:at] }
      gaps = slow.each_cons(2).map { |a, b| b - a }
      expect(gaps).to eq(gaps.sort)
      expect(gaps.first).to be_between(1, 1.1)
    end

    it "makes one sound of tied notes" do
      tied =
        page("bars: 2").with(
          notes:
            [1, 2].to_h do |bar|
              [
                bar,
                {
                  right: [
                    Stairwell::Score::Note.new(
                      onset: 0r,
                      length: 1r,
                      pitch: Stairwell::Score::Pitch.parse("C4"),
                      tied: bar == 2
                    )
                  ],
                  left: []
                }
              ]
            end
        )
      expect(Stairwell::Roadmap.playback(tied, tempo: 60)[:notes]).to eq(
        [{ at: 0.0, length: 8.0, midi: 60, hand: "right" }]
      )
    end
  end

  describe "a part of it" do
    def span(from, to = from) = Stairwell::Score::Span.new(from: from, to: to)

    it "goes through places as they stand, and through the whole piece as it is played" do
      order = ->(*spans) { Stairwell::Roadmap.stretch(coda_page, spans).map(&:bar) }
      expect(order[span(5, 7)]).to eq([5, 6, 7])
      expect(order[span(16), span(5)]).to eq([16, 5]) # a join across the jump
      expect(order[span(1, 20)]).to eq(Stairwell::Roadmap.read(coda_page).order)
      expect(order[span(19, 24)]).to eq([19, 20]) # bars the page has lost since
    end

    it "walks with a finger, saying where it is and where it leaves the printed order" do
      join = Stairwell::Roadmap.walk(coda_page, [span(16), span(5)])
      expect(join.map { |one| one.slice(:name, :place, :ahead) }).to eq(
        [
          { name: "16", place: "page 13, line 1, bar 4", ahead: "on to page 12, line 2, bar 1" },
          { name: "5", place: "page 12, line 2, bar 1", ahead: nil }
        ]
      )
      whole = Stairwell::Roadmap.walk(coda_page)
      expect(whole.filter_map { |one| one[:ahead] && one[:name] }).to eq(%w[4 3 16 8])
      expect(Stairwell::Roadmap.walk(page("bars: 2")).map { |one| one[:place] }).to eq(
        ["bar 1", "bar 2"]
      )
    end

    it "sounds as long as its counts at the tempo" do
      sound = Stairwell::Roadmap.playback(coda_page, tempo: 120, spans: [span(5, 7)])
      expect(sound[:seconds]).to eq(3 * 4 * 60 / 120.0)
      expect(
        Stairwell::Roadmap.playback(coda_page, tempo: 120, spans: [span(1, 20)])[:seconds]
      ).to be_within(0.001).of(Stairwell::Roadmap.read(coda_page).seconds(120))
    end
  end

  describe "guided" do
    it "announces every leap with its place before it comes" do
      visits = Stairwell::Roadmap.read(coda_page).visits
      guide = Stairwell::Roadmap::Guide.new(coda_page, visits)
      said =
        visits.each_index.filter_map { |at| guide.ahead(at) && [visits[at].bar, guide.ahead(at)] }
      expect(said).to eq(
        [
          [4, "back for the 2nd time, page 12, line 1, bar 1"],
          [3, "skip to the 2nd ending, page 12, line 2, bar 1"],
          [16, "back to the sign, page 12, line 2, bar 1"],
          [8, "to the coda, page 13, line 2, bar 1"]
        ]
      )
    end
  end

  describe "asked where next" do
    it "asks at every sign, the right choice always among others" do
      questions = Stairwell::Roadmap.drill(coda_page)
      expect(questions.map { |one| [one.bar, one.right] }).to eq(
        [[3, 4], [4, 1], [3, 5], [8, 9], [16, 5], [8, 17]]
      )
      expect(questions.map { |one| one.choices.size }).to all(be > 1)
      expect(questions[2].wrong.fetch(4)).to eq(
        "That is the ending for the 1st time. It is the 2nd time: skip to bar 5 (page 12, line 2, bar 1)."
      )
      expect(questions[3].wrong.fetch(17)).to start_with(
        "That is the coda; nothing sends the music there yet."
      )
      expect(questions.last.why).to start_with("After going back, To Coda counts")
    end

    it "gives a reason for every wrong choice, on generated pages of every kind" do
      random = Random.new(8)
      100.times do
        map = GeneratedPage.new(random).map
        order = Stairwell::Roadmap.read(map).order
        Stairwell::Roadmap
          .drill(map)
          .each do |one|
            expect(one.right).to eq(order[one.at + 1])
            expect(one.choices).to include(one.right)
            expect(one.wrong.keys).to match_array(one.choices - [one.right])
            expect(one.wrong.values).to all(end_with("."))
          end
      end
    end
  end
end
