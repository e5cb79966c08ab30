# frozen_string_literal: true

require_relative "../spec_helper"

# What belongs to one studio stays there, and nothing a client sends breaks the
# server.
RSpec.describe "Lessons, weeks and papers" do
  let!(:studio) { TestApp.studio }
  let!(:student) do
    sign_in
    student_with_piece
  end
  let(:path) { "/api/students/#{student["id"]}" }

  describe "of another studio" do
    before do
      TestApp.studio("Other Quay", email: "other@quay.example")
      clear_cookies
      sign_in(email: "other@quay.example")
    end

    it "are not there" do
      day = { edit: "pin", starts: "2027-03-04", seen: 0, id: "1/A.right", date: "2027-03-04" }
      tries = [
        [:get, "#{path}/lesson"],
        [:put, "#{path}/lesson", { notes: "x", version: 0 }],
        [:post, "#{path}/lesson/finish", { send: false }],
        [:post, "#{path}/week/overrides", day],
        [
          :post,
          "#{path}/taught",
          { assignment_id: 1, what: "A", introduced: true, key: SecureRandom.uuid }
        ],
        [:post, "#{path}/extra-work", { kind: "theory", title: "x", minutes: 2, times: 1 }],
        [:post, "#{path}/lent", { title: "x" }],
        [:get, "#{path}/week.pdf"],
        [
          :post,
          "#{path}/ticks",
          {
            assignment_id: 1,
            step_id: "A.right",
            days: ["2027-03-03"],
            done: true,
            key: SecureRandom.uuid
          }
        ],
        [:post, "#{path}/pieces/1/end", { ended: "passed" }],
        [:post, "#{path}/pieces/1/renew", {}],
        [:put, "#{path}/pieces/1", { priority: 1 }],
        [:post, "#{path}/offer", { assignment_id: 1, step_id: "A.right", stumbles: 0 }]
      ]
      tries.each do |method, address, body|
        ask(method, address, body)
        expect([address, status]).to eq([address, 404])
      end
      %i[introductions lessons lendings extra_work week_overrides outbox].each do |table|
        expect(TestApp::OWNER[table].count).to eq(0), table.to_s
      end
      expect(TestApp::OWNER[:practice_marks].count).to eq(0)
    end

    it "show in no list" do
      ask(:get, "/api/today").then { |today| expect(today["lessons"]).to eq([]) }
      expect([ask(:get, "/api/studio"), ask(:get, "/api/outbox")]).to eq([[], []])
    end
  end

  it "want a sign-in" do
    clear_cookies
    [
      "#{path}/lesson",
      "/api/today",
      "/api/outbox",
      "#{path}/week.pdf",
      "/api/studio/settings",
      "/api/weeks.pdf?students=1"
    ].each do |address|
      ask(:get, address)
      expect([address, status]).to eq([address, 401])
    end
  end

  # Seeded nonsense in every field of every new request.
  it "answer nonsense with a reason, never with our mistake" do
    nonsense = [nil, -1, 0, 1.5, 10**30, "", " ", "\u0000", "2027-02-31", "ü" * 300, [], {}, true]
    bodies = {
      [:put, "#{path}/lesson"] => {
        recap: "a",
        notes: "b",
        version: 0
      },
      [:post, "#{path}/lent"] => {
        title: "Blue"
      },
      [:post, "#{path}/lesson/finish"] => {
        send: false
      },
      [:post, "#{path}/offer"] => {
        assignment_id: 1,
        step_id: "A.right",
        stumbles: 1,
        tempo: 60
      },
      [:post, "#{path}/results"] => {
        assignment_id: 1,
        step_id: "A.right",
        result: "shaky",
        key: SecureRandom.uuid,
        cause: "notes",
        bar: 2,
        stumbles: 1,
        tempo: 60,
        note: "n"
      },
      [:post, "#{path}/ticks"] => {
        assignment_id: 1,
        step_id: "A.right",
        days: ["2027-03-03"],
        done: true,
        key: SecureRandom.uuid
      },
      [:post, "#{path}/week/overrides"] => {
        edit: "move",
        starts: "2027-03-04",
        seen: 0,
        id: "1/A.right",
        date: "2027-03-04",
        to: "2027-03-05",
        minutes: 2,
        title: "t",
        overrides: []
      },
      [:post, "#{path}/extra-work"] => {
        kind: "theory",
        title: "x",
        minutes: 2,
        times: 1,
        one_of: ["a"]
      },
      [:post, "#{path}/simplifications"] => {
        assignment_id: 1,
        step_id: "A.right",
        form: "bar",
        bar: 1,
        key: SecureRandom.uuid
      },
      [:post, "#{path}/taught"] => {
        assignment_id: 1,
        what: "A",
        introduced: true,
        key: SecureRandom.uuid
      },
      [:put, "#{path}/pieces/1"] => {
        due_on: "2027-05-01",
        priority: 1,
        introduce_first: false,
        target_tempo: 60,
        routine: "by_ear"
      },
      [:put, "/api/studio/settings"] => {
        holidays: [{ from: "2027-04-01", to: "2027-04-02" }]
      },
      [:post, "#{sheet_of(student)}/marks"] => {
        key: SecureRandom.uuid,
        kind: "repetition",
        assignment_id: 1,
        step_id: "A.right",
        day: "2027-03-03"
      }
    }
    bodies.each do |(method, address), body|
      body.each_key do |field|
        nonsense.each do |value|
          ask(method, address, body.merge(field => value))
          expect(status).to be < 500, "#{method} #{address} #{field}: #{value.inspect}"
          # In words a teacher can read; the answer was held against the contract.
          expect(JSON.parse(last_response.body)["detail"]).to match(/\S{2,}/) if status >= 400
        end
      end
    end
  end
end
