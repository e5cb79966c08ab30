# frozen_string_literal: true

require_relative "../spec_helper"
require_relative "../../core/spec/support/slow"

# Parcels of pages and lists of students that somebody wrote who means no good, or a program that
# went wrong: told in words, and never half taken in.
RSpec.describe "Files that mean no good" do
  before do
    TestApp.studio
    sign_in
  end

  def take(bytes)
    header("Content-Type", "application/octet-stream")
    header("X-CSRF-Token", @csrf)
    custom_request("POST", "/api/pieces/parcel?key=#{SecureRandom.uuid}", {}, input: bytes)
    [last_response.status, JSON.parse(last_response.body)]
  ensure
    header("Content-Type", "application/json")
  end

  def parcel
    ask(:post, "/api/pieces", { script: Requests::SCRIPT })
    custom_request("GET", "/api/pieces/parcel?pieces=1")
    last_response.body.dup
  end

  describe "as parcels" do
    it "are refused in words, whatever is spoilt" do
      good = parcel
      value = JSON.parse(good)
      page = value["pages"].first
      random = Random.new(7)
      with = ->(**more) do
        JSON.generate(value.merge("pages" => [page.merge(more.transform_keys(&:to_s))]))
      end
      bombs = [
        "",
        "null",
        "[]",
        "{}",
        "\xFF\xFE\x00",
        "[" * 100_000,
        "{\"a\":" * 50_000,
        "\"#{"\\u0000" * 1_000}\"",
        JSON.generate(value.merge("pages" => [])),
        JSON.generate(value.merge("pages" => [page] * 5_000)),
        JSON.generate(value.merge("format" => "stairwell-parcel/99")),
        with.call(title: "x" * 1_000_000),
        with.call(title: "a\u0000b"),
        with.call(title: nil),
        with.call(bars: { "a" => 1 }),
        with.call(bars: [[2**70, "1", "4/4"]]),
        with.call(bars: [[1, "1", "#{10**40}/4"]]),
        with.call(sections: [{ "name" => "A", "from" => -1, "to" => 10**12 }]),
        good.sub("{", "{\"__proto__\":{\"x\":1},"),
        good.b[0, good.bytesize / 2],
        "PK\x03\x04#{"\x00" * 500}"
      ]
      spoilt =
        Array.new(Slow.whole? ? 60 : 10) do
          good.b.dup.tap do |bytes|
            random.rand(1..6).times { bytes.setbyte(random.rand(bytes.bytesize), random.rand(256)) }
          end
        end
      (bombs + spoilt).each do |bytes|
        before = TestApp::OWNER[:pieces].count
        code, answer = take(bytes)
        next if code == 201

        expect(code).to be_between(400, 499), "#{code} for #{bytes.b[0, 60].inspect}"
        expect(answer["detail"].to_s).to match(/\p{L}{3}/)
        expect(TestApp::OWNER[:pieces].count).to eq(before)
      end
    end
  end

  describe "as lists of students" do
    lines = %w[name,day,time,minutes Ilo,Monday,16:00,20]
    {
      "a quote that never ends" => "name,day,time\n\"Ilo,Monday,16:00\n" + "x" * 50_000,
      "nothing but separators" => "," * 90_000,
      "nothing but quotes" => "\"" * 90_000,
      "forty thousand lines" => (["name"] + ["a"] * 40_000).join("\n"),
      "columns without end" => "#{(["name"] * 20_000).join(",")}\nIlo",
      "signs of another script, and marks that turn the line" => "name,day\n\u202Eoli,\u0645\n",
      "a byte order mark, and other ends of lines" => "\uFEFF#{lines.join("\r\n")}\r\n",
      "a zero byte" => "name\nI\u0000lo\n",
      "formulas" => "name,day,time\n=HYPERLINK(\"http://x\"),Monday,16:00\n",
      "numbers out of all bounds" => "name,day,time,minutes\nIlo,Monday,99:99,#{"9" * 400}\n",
      "spaces" => " " * 99_000,
      "commas within quotes within quotes" => "name\n#{"\"\"\"," * 20_000}"
    }.each do |name, text|
      it "are read or refused: #{name}" do
        read = ask(:post, "/api/students/read", { text: text })
        expect(status).to eq(200).or be_between(400, 499)
        expect(TestApp::OWNER[:students].count).to eq(0)
        next unless status == 200

        fit = read["lines"].filter_map { |line| line["student"] unless line["problems"]&.any? }
        fit = fit.first(50).map { |student| student.merge(key: SecureRandom.uuid) }
        ask(:post, "/api/students/list", { students: fit }) if fit.any?
        expect(status).to be < 500
        # What is a formula to a spreadsheet is none when it is handed on.
        custom_request("GET", "/api/studio/csv/students")
        expect(last_response.body).not_to match(/(?:^|,)"?[=+\-@]/)
      end
    end
  end
end
