# frozen_string_literal: true

require_relative "../spec_helper"

# The core computes with no transaction open, in every route and every job: rows are
# read, the transaction ends, and only then anything is worked out.
RSpec.describe "While a transaction is open" do
  core = File.expand_path("../../core/lib/stairwell", __dir__)
  # What the core shares with the server: making a class of values, and what such a
  # class does by itself; and the texts in which the sign-in library says what is wrong,
  # from within its transactions.
  shared =
    %w[value.rb errors.rb locales.rb phrase.rb phrase/text.rb phrase/textual.rb]
      .map { |file| File.join(core, file) }
      .freeze

  # Calls are watched only while one is open: the core makes millions of them outside.
  # @return [Array<String>] calls of the core with a transaction open
  define_method(:calls_inside) do |&work|
    found = []
    watch =
      TracePoint.new(:call) do |call|
        if call.path.start_with?(core) && !shared.include?(call.path)
          found << "#{call.path.delete_prefix(core)}:#{call.lineno} #{call.method_id}"
        end
      end
    open = 0
    allow(TestApp.store.db).to receive(
      :transaction
    ).and_wrap_original do |transaction, *said, &inside|
      transaction.call(*said) do |*connection|
        watch.enable if (open += 1) == 1
        inside.call(*connection)
      ensure
        watch.disable if (open -= 1).zero?
      end
    end
    work.call
    found.tally.sort_by { |_, count| -count }.map { |call, count| "#{call} (#{count})" }
  end

  before do
    TestApp.studio
    sign_in
  end

  # Each operation of the contract at least once, in the order of a studio's days.
  def every_route
    score = Stairwell::Formats::MusicXML.write(Demo::Pieces.lantern_room.map)
    load_score(score)
    piece = ask(:post, "/api/pieces", { script: Requests::SCRIPT })["id"]
    ask(:post, "/api/scripts/read", { script: Requests::SCRIPT })
    ask(:post, "/api/pieces/#{piece}/draft", { script: Requests::SCRIPT, put: ["fine: 12"] })
    ask(
      :put,
      "/api/pieces/#{piece}/script",
      { script: "#{Requests::SCRIPT}fine: 12\n", revision: 1 }
    )
    ask(:put, "/api/pieces/#{piece}/script", { script: Requests::SCRIPT, revision: 1 }) # stale
    ask(
      :put,
      "/api/pieces/#{piece}/script",
      { script: "tempo: target 60\n", revision: 0, for: "teacher" }
    )
    [
      "",
      "/revisions",
      "/revisions/2?against=1",
      "/sound",
      "/known",
      "/drill",
      "/export/map",
      "/export/musicxml",
      "/export/script"
    ].each { |rest| custom_request("GET", "/api/pieces/#{piece}#{rest}") }
    custom_request("GET", "/api/pieces/1/score")
    load_score(score, of: 1)
    student = ask(:post, "/api/students", Requests::STUDENT)["id"]
    path = "/api/students/#{student}"
    ask(
      :post,
      "/api/pieces/#{piece}/drills",
      { student_id: student, key: SecureRandom.uuid, asked: 2, missed: [4] }
    )
    asked = {
      piece_id: piece,
      routine: "hand_by_hand",
      hand_order: "right",
      target_tempo: 76,
      introduce_first: true,
      due_on: "2027-03-20"
    }
    ask(:post, "#{path}/preview", asked)
    given = ask(:post, "#{path}/pieces", asked)["pieces"].first["id"]
    ask(:put, "#{path}/pieces/#{given}", { target_tempo: 70, priority: 1 })
    ask(:post, "#{path}/pieces/#{given}/renew", {})
    ask(:delete, "#{path}/pieces/#{given}/renew")
    %w[learners pencil.pdf].each { |page| custom_request("GET", "/api/pieces/#{piece}/#{page}") }
    ask(
      :post,
      "#{path}/introductions",
      { assignment_id: given, what: "A1", introduced: true, key: SecureRandom.uuid }
    )
    ask(:get, "#{path}/pieces/#{given}/ways-out")
    ask(:put, "#{path}/pieces/#{given}", { due_on: "2027-03-12" })
    ask(:get, "#{path}/pieces/#{given}/backwards")
    ask(:put, "#{path}/pieces/#{given}/backwards", { measures: %w[slower] })
    ask(:get, "#{path}/suits")
    ask(:post, "#{path}/options", { change: "no_pedal", assignment_id: given })
    ask(:get, "#{path}/introductions")
    ask(:post, "#{path}/week", {})
    week = ask(:get, path)["week"]
    ask(
      :post,
      "#{path}/week/overrides",
      {
        edit: "pin",
        starts: week["starts"],
        seen: 0,
        id: "#{given}/A.right",
        date: week["days"].first["date"]
      }
    )
    work =
      ask(:post, "#{path}/extra-work", { kind: "theory", title: "Page 3", minutes: 2, times: 1 })[
        "extra_work"
      ].first[
        "id"
      ]
    ask(:get, "/api/extra-work")
    ask(
      :put,
      "#{path}/extra-work/#{work}",
      { kind: "theory", title: "Page 4", minutes: 2, times: 2 }
    )
    ask(:delete, "#{path}/extra-work/#{work}", {})
    ask(:put, path, Requests::STUDENT.merge(minutes_a_day: 25, version: ask(:get, path)["version"]))
    ask(:get, "/api/students")
    %w[leave return].each { |way| ask(:post, "#{path}/#{way}", {}) }
    link = ask(:post, "#{path}/link", {})["sheet_path"].sub("/s/", "/api/sheet/")
    TestApp.now = Time.utc(2027, 3, 5, 12) # a day was missed
    item = ask(:get, link)["days"].flat_map { |day| day["items"] }.first
    mark(link, item)
    ask(:post, "#{link}/messages", { key: SecureRandom.uuid, text: "Bar 12 is too hard" })
    ask(:get, "#{link}/sound?assignment_id=#{given}&step_id=A.right")
    %W[#{link}/score?assignment_id=#{given} #{link}/week.pdf].each do |page|
      custom_request("GET", page)
    end
    TestApp.now = Time.utc(2027, 3, 10, 16)
    sign_in
    %w[/api/pieces /api/today /api/studio /api/studio/settings /api/routines].each do |page|
      ask(:get, page)
    end
    ask(:get, "#{path}/lesson")
    ask(:put, "#{path}/messages/#{ask(:get, "#{path}/messages").first["id"]}", { read: true })
    ask(:post, "#{path}/offer", { assignment_id: given, step_id: "A.right", stumbles: 1 })
    ask(
      :post,
      "#{path}/results",
      {
        assignment_id: given,
        step_id: "A.together",
        result: "not_yet",
        bar: 3,
        key: SecureRandom.uuid
      }
    )
    ask(
      :post,
      "#{path}/simplifications",
      { assignment_id: given, step_id: "A.together", form: "left", key: SecureRandom.uuid }
    )
    ask(
      :post,
      "#{path}/ticks",
      {
        assignment_id: given,
        step_id: "A.right",
        days: ["2027-03-08"],
        done: true,
        key: SecureRandom.uuid
      }
    )
    ask(:put, "#{path}/lesson", { notes: "Bring the book", version: 0 })
    lent = ask(:post, "#{path}/lent", { title: "Tidewater 2" })["lent"].first["id"]
    ask(:delete, "#{path}/lent/#{lent}", {})
    ask(:post, "#{path}/lesson/finish", { send: false })
    %W[#{path}/week.pdf /api/weeks.pdf?students=#{student} /api/outbox].each do |page|
      custom_request("GET", page)
    end
    copy = ask(:post, "/api/routines/by_ear/copy", { name: "Ours" })["key"]
    ask(:put, "/api/routines/#{copy}", { name: "Ours too", for_whom: "", stages: [], version: 1 })
    ask(:post, "/api/routines/#{copy}/trial", { piece_id: piece, stages: [] })
    ask(:post, "#{path}/pieces/#{given}/end", { ended: "kept", keep_for: "2027-06-01" })
    ask(:post, "#{path}/pieces/#{given}/end", { ended: nil })
    ask(:put, "/api/studio/settings", { holidays: [{ from: "2027-04-01", to: "2027-04-05" }] })
    ask(:post, "/api/studio/plans", {})
    ask(:delete, "#{path}/link", {})
    ask(:delete, "/api/pieces/#{piece}")
    ask(:post, "/api/pieces/#{piece}/restore", {})
    twin = ask(:post, "/api/pieces", { script: Requests::SCRIPT })["id"]
    ask(:post, "/api/pieces/#{piece}/merge", { into: twin })
    lessons
    people
    TestApp.work_on_jobs
  end

  def people
    link = ask(:post, "/api/people/invitations", { role: "teacher" })["invitations"].first
    token = link["link"][/#(.*)/, 1]
    ask(:get, "/api/invitations/#{token}")
    ask(
      :post,
      "/api/join",
      { token: token, name: "Odo", email: "odo@quay.example", password: "a lantern on the quay" }
    )
    ask(
      :delete,
      "/api/people/invitations/#{ask(:post, "/api/people/invitations", { role: "owner" })["invitations"].last["id"]}",
      {}
    )
    code = Stairwell::Server::Openings.new(TestApp::OWNER, TestApp::SETTINGS).make
    ask(
      :post,
      "/api/open",
      {
        code: code,
        studio: "Low Lane",
        time_zone: "Europe/Lisbon",
        name: "Aura",
        email: "aura@lane.example",
        password: "a lantern on the quay"
      }
    )
    id = ask(:get, "/api/people")["people"].find { |one| !one["you"] }["id"]
    ask(:put, "/api/people/#{id}", { role: "assistant" })
    ask(:post, "/api/people/#{id}/leave", {})
    ask(:put, "/api/session/studio", { id: 1 })
    ask(:get, "/api/sign-ins")
    ask(:post, "/api/forgotten", { email: "odo@quay.example" })
    key = "#{id}_x"
    ask(:post, "/api/change-address", { email: "other@quay.example", password: TestApp::PASSWORD })
    ask(:post, "/api/confirm-address", { key: key })
    ask(:post, "/api/reset-password", { key: key, password: "a lantern on the quay" })
    ask(
      :post,
      "/api/change-password",
      { password: TestApp::PASSWORD, new_password: "a lantern on the quay" }
    )
  end

  def lessons
    key = -> { SecureRandom.uuid }
    ask(:get, "/api/timetable")
    ask(
      :put,
      "/api/students/1/lessons/2027-03-10",
      { version: 0, day: "2027-03-11", time: "15:00" }
    )
    ask(
      :put,
      "/api/students/1/lessons/2027-03-11/attendance",
      { version: 1, attendance: "excused" }
    )
    ask(:post, "/api/students/1/lessons", { key: key.call, day: "2027-03-12", time: "15:00" })
    ask(:put, "/api/students/1/lessons/2027-03-03/looked-through", {})
    ask(:post, "/api/students/1/lesson/reopen", {})
    ask(:get, "/api/students/1/stand-in")
    criteria = [{ key: "pulse", name: "Pulse", levels: %w[falls holds] }]
    ask(
      :post,
      "/api/classes",
      { key: key.call, name: "Duo", weekday: 4, time: "19:30", minutes: 60, members: [1] }
    )
    ask(:put, "/api/classes/1", { version: 1, weekday: 5, time: "18:00" })
    ask(
      :post,
      "/api/classes/1/units",
      {
        key: key.call,
        title: "Both",
        piece_ids: [2, 1],
        due_on: "2027-05-01",
        due_time: "18:00",
        criteria: criteria,
        keep_as: "Usual"
      }
    )
    ask(:put, "/api/classes/1/units/1/choice", { student_id: 1, piece_id: 1 })
    ask(
      :post,
      "/api/classes/1/marks",
      { unit_id: 1, student_id: 1, criterion: "pulse", level: 2, key: key.call }
    )
    ask(
      :post,
      "/api/classes/1/results",
      { student_id: 1, assignment_id: 1, step_id: "A.right", result: "steady", key: key.call }
    )
    ask(:put, "/api/classes/1/units/1", { ended: true })
    ["", "/1", "/1/lesson"].each { |path| ask(:get, "/api/classes#{path}") }
    ask(:post, "/api/classes/1/finish", { send: false })
    ask(:delete, "/api/classes/1", {})
    %w[covers while-away calendar].each { |path| ask(:get, "/api/#{path}") }
    ask(
      :post,
      "/api/covers",
      { key: key.call, away_id: 1, cover_id: 1, first_day: "2027-03-10", last_day: "2027-03-11" }
    )
    ask(:delete, "/api/covers/1", {})
    get(ask(:post, "/api/calendar", {})["path"])
    ask(:delete, "/api/calendar", {})
    ask(:post, "/api/students/1/calendar", {})
    ask(:delete, "/api/students/1/calendar", {})
    ask(:put, "/api/students/1/family", { with: nil })
    ask(:post, "/api/students/1/pause", {})
    ask(:post, "/api/students/1/go-on", {})
    lines = ask(:post, "/api/students/read", { text: "name,day,time\nIlo,Monday,16:00\n" })["lines"]
    ask(:post, "/api/students/list", { students: [lines.first["student"].merge(key: key.call)] })
    ask(:get, "/api/studio/history")
    custom_request("GET", "/api/studio/archive.zip")
    custom_request("GET", "/api/studio/archive")
    custom_request("GET", "/api/pieces/parcel?pieces=1")
    header("Content-Type", "application/octet-stream")
    custom_request("POST", "/api/pieces/parcel?key=#{key.call}", {}, input: last_response.body)
    header("Content-Type", "application/json")
    ask(:get, "/api/studio/keeping")
    ask(:put, "/api/studio/keeping", { asks_consent: true, keep_months: 24 })
    ask(:put, "/api/students/1/consent", { by: "Orla Finch", records: true, recordings: false })
    ask(:post, "/api/students/1/keep", { months: 12 })
    ask(:get, "/api/news?since=-1&window=abcdefgh12")
    ask(:get, "/api/outbox/unsent")
    custom_request("GET", "/api/students/1/record.zip")
    ask(:post, "/api/outbox/1/again", {})
    %w[students results practice repertoire].each do |table|
      custom_request("GET", "/api/studio/csv/#{table}")
    end
    ask(:post, "/api/students/1/erase", { name: "nobody" })
    ask(:delete, "/api/students/1/erase")
    header("Content-Type", "application/octet-stream")
    custom_request(
      "POST",
      "/api/studio/holidays",
      {},
      input: "BEGIN:VCALENDAR\nVERSION:2.0\nPRODID:x\nEND:VCALENDAR\n"
    )
  end

  it "nothing is computed" do
    asked = []
    allow(Stairwell::Server::Guards::Contract::DEFINITION).to receive(
      :validate_request
    ).and_wrap_original do |check, request|
      check.call(request).tap { |found| asked << found.operation&.operation_id unless found.error }
    end
    expect(calls_inside { every_route }).to eq([])
    # A route that is new joins in here. An archive is loaded where nobody waits: see
    # docs/decisions/0036.
    operations =
      YAML.load_file(File.expand_path("../../api/openapi.yaml", __dir__))["paths"]
        .values
        .flat_map { |path| path.values.grep(Hash).filter_map { |one| one["operationId"] } }
    expect(operations - asked - %w[health logout login session loadArchive]).to eq([])
  end
end
