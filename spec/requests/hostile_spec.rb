# frozen_string_literal: true

require_relative "../spec_helper"

# What an attacker or a broken program sends: refused in words, before it costs anything.
RSpec.describe "Hostile requests" do
  let!(:studio) { TestApp.studio }
  let!(:student) do
    sign_in
    student_with_piece
  end
  let(:own) { "/api/students/#{student["id"]}" }

  def problem(code)
    expect(last_response.headers["content-type"]).to eq("application/problem+json"),
    "#{last_request.fullpath} was answered"
    expect([status, JSON.parse(last_response.body)["code"]]).to eq(code)
  end

  def raw(method, path, body = "", type: "application/json", **headers)
    header("Content-Type", type)
    custom_request(
      method,
      path,
      {},
      { :input => body, "CONTENT_LENGTH" => body.bytesize.to_s }.merge(headers)
    )
  end

  it "are not understood where the address is no text, in any query" do
    [
      "/api/pieces?x=%ff",
      "/api/today?teachers=%ff",
      "/api/today?a=2&a[b]=1",
      "/api/today?x=%",
      "/api/today?a#{"[b]" * 60}=1",
      "/api/pieces/1?for=%00",
      "/health?x=%ff",
      "#{sheet_of(student)}?%ff=1",
      "/api/nowhere?%c0"
    ].each do |path|
      where, query = path.split("?")
      custom_request("GET", where, {}, "QUERY_STRING" => query)
      problem([400, "unreadable"])
    end
    custom_request("GET", "/api/pieces/#{"9" * 1_000}")
    problem([400, "unreadable"])
  end

  it "are not taken as forms, nor without a type" do
    raw("POST", "/api/students", "--x\r\nnonsense", type: "multipart/form-data; boundary=x")
    problem([415, "unsupported_media_type"])
    raw("POST", "/api/students", "a=1&b=%ff", type: "application/x-www-form-urlencoded")
    problem([415, "unsupported_media_type"])
    raw("POST", "#{sheet_of(student)}/marks", "\0" * 40, type: "multipart/mixed")
    problem([415, "unsupported_media_type"])
    # Nor where the type is none, or the address ends in another than was meant.
    ["", ";", "/", " ; charset=utf-8"].each do |type|
      raw("PUT", "/api/students/1", "", type: type)
      problem([415, "unsupported_media_type"])
      raw("PUT", "/api/students/1/lessons/2027-03-03%0A/looked-through", "", type: type)
      expect([status, last_response.media_type]).to eq([400, "application/problem+json"])
    end
    header("X-CSRF-Token", @csrf)
    put "/api/students/1", "", { "CONTENT_TYPE" => nil }
    problem([415, "unsupported_media_type"])
  end

  it "hold no number beyond all measure, no thousands of values and nothing nested without end" do
    [
      '{"minutes_a_day":1e400}',
      '{"minutes_a_day":-1e400}',
      '{"minutes_a_day":1e300}',
      "{\"minutes_a_day\":#{"9" * 500}}",
      JSON.generate(name: "x", known: ["a"] * 5_000),
      JSON.generate((1..6_000).to_h { |at| ["k#{at}", at] })
    ].each do |body|
      raw("POST", "/api/students", body)
      problem([400, "unreadable"])
    end
    raw("POST", "/api/students", "[" * 50 + "]" * 50)
    problem([400, "invalid_body"])
  end

  it "cost no more than a look before signing in" do
    clear_cookies
    @csrf = ask(:get, "/api/session")["csrf"]
    header("X-CSRF-Token", @csrf)
    raw("POST", "/api/login", JSON.generate(email: "a@b.example", password: "x" * 20_000))
    problem([413, "too_large"])
    raw("POST", "#{sheet_of(student)}/marks", JSON.generate(key: "x" * 20_000))
    problem([413, "too_large"])
  end

  it "are refused where a key or a time has a line feed" do
    ask(
      :post,
      "#{own}/results",
      { assignment_id: 1, step_id: "A.right", result: "steady", key: "x\n#{SecureRandom.uuid}\ny" }
    )
    expect([status, JSON.parse(last_response.body)["field"]]).to eq([400, "key"])
    ask(:put, "/api/studio/settings", { locale: "en\nx" })
    expect(status).to eq(400)
  end

  it "have no date before 1990 or after 2200" do
    key = SecureRandom.uuid
    [
      [:put, "#{own}/pieces/1", { due_on: "0000-01-01" }, "due_on"],
      [:put, "#{own}/pieces/1", { due_on: "9999-12-31" }, "due_on"],
      [
        :post,
        "#{own}/ticks",
        { assignment_id: 1, step_id: "A.right", days: ["0000-02-29"], done: true, key: key },
        "days"
      ],
      [
        :post,
        "#{own}/week/overrides",
        { edit: "pin", starts: "0000-03-04", seen: 0, id: "1/A.right", date: "2027-03-04" },
        "date"
      ],
      [:post, "#{own}/pieces/1/end", { ended: "passed", keep_for: "1989-12-31" }, "keep_for"],
      [
        :post,
        "#{sheet_of(student)}/marks",
        { key: key, kind: "repetition", assignment_id: 1, step_id: "A.right", day: "0000-01-01" },
        "day"
      ],
      [
        :post,
        "#{sheet_of(student)}/marks",
        {
          key: key,
          kind: "repetition",
          assignment_id: 1,
          step_id: "A.right",
          tapped_at: "0000-01-01T00:00:00Z"
        },
        "tapped_at"
      ]
    ].each do |method, path, body, field|
      ask(method, path, body)
      expect([path, status, JSON.parse(last_response.body)["field"]]).to eq([path, 422, field])
    end
  end

  it "have no holidays without end, and no more than a teacher has" do
    [
      [{ from: "0001-01-01", to: "2027-01-01" }],
      [{ from: "2027-01-01", to: "2030-01-01" }],
      [{ from: "2027-02-30", to: "2027-03-01" }]
    ].each do |holidays|
      expect(ask(:put, "/api/studio/settings", { holidays: holidays })).to include(
        "code" => "absence",
        "field" => "holidays"
      )
    end
    ask(
      :put,
      "/api/studio/settings",
      {
        holidays: (1..101).map { |at| { from: "2027-01-01", to: (Date.new(2027, 1, 1) + at).to_s } }
      }
    )
    expect(status).to be_between(400, 422)
  end

  it "of the same link renewed ten times at once leave one in force" do
    browsers = Array.new(10) { Class.new { include Requests }.new }.each(&:sign_in)
    expect(
      browsers
        .map { |browser| Thread.new { browser.ask(:post, "#{own}/link", {}) && browser.status } }
        .map(&:value)
        .uniq
    ).to eq([201])
    expect(TestApp::OWNER[:sheet_links].where(withdrawn_at: nil).count).to eq(1)
  end

  it "for the library while pieces are added are answered, each with what is there whole" do
    browsers = Array.new(3) { Class.new { include Requests }.new }.each(&:sign_in)
    adding =
      Thread.new do
        12.times do |at|
          browsers.first.ask(
            :post,
            "/api/pieces",
            { script: Requests::SCRIPT.sub("Lock Gate", "Gate #{at}") }
          )
        end
      end
    seen =
      browsers
        .drop(1)
        .map do |browser|
          Thread.new do
            Array.new(25) do
              browser
                .ask(:get, "/api/pieces")
                .then { |list| [browser.status, list.map { |one| one["bars"] }.uniq] }
            end
          end
        end
        .flat_map(&:value)
    adding.join
    expect(seen.uniq).to eq([[200, ask(:get, "/api/pieces").map { |one| one["bars"] }.uniq]])
    expect(ask(:get, "/api/pieces").size).to eq(13)
  end

  it "about a studio whose holidays of before last for centuries come to an end" do
    TestApp::OWNER[:studios].update(
      holidays:
        Sequel.pg_jsonb(
          [{ from: "0001-01-01", to: "2026-12-31" }, { from: "2027-06-01", to: "9999-12-31" }]
        )
    )
    [
      "/api/students/1",
      "/api/students/1/lesson",
      "/api/today",
      sheet_of(student),
      "/api/studio/settings"
    ].each do |path|
      Timeout.timeout(20) { ask(:get, path) }
      expect([path, status]).to match([path, be_between(200, 422)])
    end
  end

  it "with another student's key keep nothing and say so" do
    other = ask(:post, "/api/students", Requests::STUDENT.merge(name: "Other"))
    ask(
      :post,
      "/api/students/#{other["id"]}/pieces",
      { piece_id: 1, routine: "hand_by_hand", hand_order: "right", target_tempo: 76 }
    )
    mark = { key: SecureRandom.uuid, kind: "repetition", assignment_id: 1, step_id: "A.right" }
    ask(:post, "#{sheet_of(student)}/marks", mark)
    expect(status).to eq(201)
    ask(:post, "/api/students/#{other["id"]}/link", {})
    theirs = ask(:get, "/api/students/#{other["id"]}")
    ask(:post, "#{sheet_of(theirs)}/marks", mark.merge(assignment_id: 2))
    problem([409, "key_used"])
  end

  it "that claim to have seen a week nobody changed are told how it stands" do
    answer =
      ask(
        :post,
        "#{own}/week/overrides",
        { edit: "pin", starts: "2027-03-03", seen: 31, id: "1/A.right", date: "2027-03-04" }
      )
    expect([status, answer["code"], answer["kept"]]).to eq(
      [409, "stale", { "what" => "week", "list" => [], "version" => 0 }]
    )
  end

  it "by a link of any length find the same nothing" do
    long = ask(:get, "/api/sheet/#{"a" * 200}")
    expect([status, ask(:get, "/api/sheet/1.1.#{"0" * 32}")]).to eq([404, long])
  end

  it "for extra work that is not there find nothing" do
    ask(:delete, "#{own}/extra-work/999")
    problem([404, "not_found"])
  end
end
