# frozen_string_literal: true

require_relative "../spec_helper"
require "pdf/reader"

# The week on paper, read back with a PDF library (pdf-reader).
RSpec.describe "The week on paper" do
  before do
    TestApp.studio
    sign_in
  end

  let!(:student) { student_with_piece }

  def pdf(path)
    header("X-CSRF-Token", @csrf)
    custom_request("GET", path)
    expect(last_response.headers["content-type"]).to eq("application/pdf")
    PDF::Reader.new(StringIO.new(last_response.body))
  end

  it "is one page a student, with what, where, how slow, how often, and when it is done" do
    read = pdf("/api/students/#{student["id"]}/week.pdf")
    text = read.pages.first.text.squeeze(" ")
    expect(read.page_count).to eq(1)
    expect(text).to include(
      "Nell, week from Thursday, 4 March",
      "◆ A and A1",
      "A RH ×3",
      "The Lock Gate",
      "♩ = 44",
      "Done when",
      "see a doctor"
    )
    ask(
      :put,
      "/api/students/#{student["id"]}",
      Requests::STUDENT.merge(version: 1, minutes_a_day: 240, begin_per_day: 10)
    )
    expect(pdf("/api/students/#{student["id"]}/week.pdf").page_count).to eq(1)
  end

  it "shows where the hands begin, and puts several students into one file" do
    piece =
      ask(
        :post,
        "/api/pieces",
        { script: Requests::SCRIPT.sub("The Lock Gate", "Weir") + "start right: finger 3 on B4\n" }
      )
    other = ask(:post, "/api/students", Requests::STUDENT.merge(name: "Ada"))["id"]
    ask(
      :post,
      "/api/students/#{other}/pieces",
      { piece_id: piece["id"], routine: "hand_by_hand", hand_order: "right", target_tempo: 60 }
    )
    read = pdf("/api/weeks.pdf?students=#{student["id"]},#{other}")
    expect(read.pages.map { |page| page.text[/\A\s*(\w+)/, 1] }).to eq(%w[Nell Ada])
    expect(read.pages.last.text).to include("Start: right hand: finger 3").and(match(/on B\./))
  end

  it "shows how far each piece is as a small staircase, where the page has room" do
    own = student["pieces"].first
    heard = ->(day, step) do
      (TestApp.now = Time.utc(2027, 3, day, 16)) &&
        ask(
          :post,
          "/api/students/#{student["id"]}/results",
          { assignment_id: own["id"], step_id: step, result: "secure", key: SecureRandom.uuid }
        )
    end
    empty = pdf("/api/students/#{student["id"]}/week.pdf").pages.first
    expect(empty.text.squeeze(" ")).to include("The Lock Gate: 0 %")
    heard[10, "A.right"]
    heard[17, "A.left"]
    ask(:post, "/api/students/#{student["id"]}/week", {})
    page = pdf("/api/students/#{student["id"]}/week.pdf").pages.first
    percent = ask(:get, "/api/students/#{student["id"]}")["pieces"].first["percent"]
    expect(percent).to be_positive
    expect(page.text.squeeze(" ")).to include("The Lock Gate: #{percent} %")
    # A step up for each day on which something became steady: two corners each, and the way back
    # down.
    shape = page.raw_content[/^[\d. ]+ m\n(?:[\d. ]+ l\n){6,}h/]
    ups =
      shape
        .scan(/([\d.]+) ([\d.]+) [ml]/)
        .map { |pair| pair.map(&:to_f) }
        .each_cons(2)
        .select { |(x, y), (along, up)| along == x && up > y }
    expect(ups.size).to eq(2)
  end

  it "is at hand behind the family's link too" do
    TestApp.now = Time.utc(2027, 3, 4, 12)
    expect(pdf("#{sheet_of(student)}/week.pdf").pages.first.text.squeeze(" ")).to include(
      "Nell, week from Thursday, 4 March",
      "A RH ×3"
    )
  end

  it "goes on on another page, its days at its head again, before print is too small to read from a stand" do
    day = {
      date: "2027-03-04",
      minutes: 1,
      items:
        (1..90).map do |at|
          {
            assignment_id: 1,
            step_id: "s#{at}",
            title: "Step #{at}",
            piece: "Weir",
            place: "line 1",
            how: "slowly",
            repetitions: 1,
            tempo: 60,
            beat: {
              value: "quarter",
              dotted: false,
              name: "quarter"
            },
            done_when: "it goes",
            notes: [],
            starts: [],
            picture: [],
            done: 0
          }
        end,
      warm_ups: [],
      extra_work: []
    }
    sheet = {
      student: "Nell",
      studio: "Quay Street",
      next_lesson: nil,
      days: [day],
      skip: [],
      cautions: []
    }
    read = ->(count) do
      PDF::Reader.new(
        StringIO.new(
          Stairwell::Server::Features::WeekPdf.new(
            [sheet.merge(days: [day.merge(items: day[:items].first(count))])]
          ).to_s
        )
      ).pages
    end
    all = read[90]
    expect(all.size).to be_between(2, 6)
    expect((1..90).reject { |at| all.any? { |page| page.text.match?(/Step #{at}\b/) } }).to eq([])
    expect(all.map { |page| page.text.include?("Day 1") }).to all(be(true))
    # Without numbers, which the signs' font has too.
    sizes = ->(pages) { pages.flat_map { |page| page.runs.map(&:font_size) }.uniq.sort }
    expect(sizes[all].first).to be >= 9.5
    expect(sizes[read[3]].first(2).max).to be > 9.5
    expect(read[3].size).to eq(1)
  end

  # Where the last row ends: how much of the height is used, from the top.
  it "spreads its rows over the page" do
    rows =
      pdf("/api/students/#{student["id"]}/week.pdf").pages.first.runs.select do |run|
        run.text.match?(/Lock Gate|Five|◆/)
      end
    expect(rows.map(&:y).minmax.then { |low, high| high - low }).to be > 100
  end

  it "gives no advice for a day that is past" do
    TestApp.now = Time.utc(2027, 3, 5, 12)
    ask(
      :put,
      "/api/students/#{student["id"]}",
      Requests::STUDENT.merge(version: 1, warm_ups: "five_finger")
    )
    text = pdf("/api/students/#{student["id"]}/week.pdf").pages.first.text.squeeze(" ")
    expect(text[/If (\w+) goes badly/, 1]).to eq("Friday")
  end

  it "has signs for sharps and flats, and leaves the keys out before it leaves out steps" do
    sheet =
      lambda do |count|
        item = ->(at) do
          {
            assignment_id: 1,
            step_id: "s#{at}",
            title: "Step #{at}",
            piece: "Weir",
            place: "page 3, line 1, all 4 bars",
            how: "right hand",
            repetitions: 5,
            tempo: 60,
            beat: {
              value: "quarter",
              dotted: false,
              name: "quarter"
            },
            done_when: "it goes without a stop",
            notes: [],
            starts: [{ hand: "right", finger: 3, note: "F♯", midi: 66 }],
            picture: [],
            done: 0
          }
        end
        {
          student: "Nell",
          studio: "Quay Street",
          next_lesson: nil,
          days: [
            {
              date: "2027-03-04",
              minutes: 9,
              items: (1..count).map(&item),
              warm_ups: [],
              extra_work: []
            }
          ],
          skip: [],
          cautions: []
        }
      end
    read = ->(count) do
      PDF::Reader
        .new(StringIO.new(Stairwell::Server::Features::WeekPdf.new([sheet[count]]).to_s))
        .pages
        .first
    end
    few, many = read[6], read[12]
    expect(few.text.gsub(/\s+/, " ")).to include("finger 3 on F♯")
    keys = ->(one) { one.raw_content.scan(%r{ re\s+b\b}).size }
    expect(keys[few]).to be > 6 * 12
    expect(keys[many]).to eq(0)
    expect((1..12).reject { |at| many.text.match?(/Step #{at}\s/) }).to eq([])
  end

  # A drawing of hands is made of curves; words and boxes are not.
  it "draws what to do for who cannot read" do
    curves = -> do
      pdf("/api/students/#{student["id"]}/week.pdf").pages.first.raw_content.scan(%r{ c$}).size
    end
    expect(curves.call).to eq(0)
    TestApp::OWNER[:students].update(reads: false)
    expect(curves.call).to be >= 10
  end

  # A filled box is a filled rectangle; empty ones are only drawn.
  it "fills what was done, or prints empty boxes only" do
    TestApp.now = Time.utc(2027, 3, 4, 12)
    items = ask(:get, sheet_of(student))["days"].first["items"]
    items.each { |item| item["repetitions"].times { mark(sheet_of(student), item) } }
    count = ->(read) { read.pages.first.raw_content.scan(%r{ re\s+f\b}).size }
    filled, empty =
      %w[done empty].map do |boxes|
        count[pdf("/api/students/#{student["id"]}/week.pdf?boxes=#{boxes}")]
      end
    expect(filled - empty).to eq(1) # the cell of that day
  end
end
