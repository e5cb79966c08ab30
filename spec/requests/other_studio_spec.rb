# frozen_string_literal: true

require_relative "../spec_helper"
require_relative "../../fuzz/fuzz"

# Whoever belongs to one studio asks for everything with the numbers of another: of that
# nothing is seen, and nothing changes in it. What is asked comes from the contract, so that a
# new operation, and a new field that holds a number, is tried by itself.
RSpec.describe "Another studio's numbers" do
  let!(:theirs) { TestApp.studio }
  # Each number that is given is one of theirs; a name in their rows would be seen.
  secret = "Quillarine"
  times = (ENV["SLOW"] == "1") ? 12 : 3

  before do
    sign_in
    TestApp::OWNER[:accounts].where(id: theirs[:account_id]).update(name: "#{secret} Quist")
    student = student_with_piece["id"]
    ask(
      :put,
      "/api/students/#{student}",
      Requests::STUDENT.merge(version: 1, name: "#{secret} Nell", class_name: secret)
    )
    second =
      ask(
        :post,
        "/api/students",
        Requests::STUDENT.merge(name: "#{secret} Ilo", lesson_time: "18:00")
      )[
        "id"
      ]
    ask(:put, "/api/students/#{student}/family", { with: second })
    ask(
      :post,
      "/api/students/#{student}/extra-work",
      { kind: "theory", title: secret, minutes: 2, times: 2 }
    )
    ask(:post, "/api/students/#{student}/lent", { title: secret })
    ask(
      :post,
      "/api/students/#{student}/lessons",
      { key: SecureRandom.uuid, day: "2027-03-12", time: "10:00" }
    )
    ask(:post, "/api/people/invitations", { role: "teacher" })
    ask(
      :post,
      "#{sheet_of(ask(:get, "/api/students/#{student}"))}/messages",
      { key: SecureRandom.uuid, text: secret }
    )
    ask(:post, "/api/routines", { key: "hand_by_hand", name: secret })
    ask(
      :put,
      "/api/pieces/1/script",
      { script: "#{Requests::SCRIPT}fine: 12 # #{secret}\n", revision: 1 }
    )
    ask(
      :post,
      "/api/students/#{student}/results",
      {
        assignment_id: 1,
        step_id: "A.right",
        result: "shaky",
        key: SecureRandom.uuid,
        note: secret
      }
    )
    ask(:put, "/api/students/#{student}/lesson", { recap: secret, notes: secret, version: 0 })
    ask(
      :post,
      "/api/pieces/1/drill",
      { student_id: student, key: SecureRandom.uuid, asked: 3, missed: [] }
    )
    ask(:post, "/api/calendar", {})
    clear_cookies
    account =
      Stairwell::Server::Auth.add_account(
        TestApp.store.db,
        email: "aura@lane.example",
        name: "Aura",
        password: TestApp::PASSWORD
      )
    TestApp.store.found_studio(name: "Low Lane", time_zone: "Europe/Lisbon", owner_id: account)
    sign_in(email: "aura@lane.example")
  end

  # @return [Hash{Symbol => String}] what their rows are, by table
  def prints
    db = TestApp::OWNER
    tables =
      db[:information_schema__columns]
        .from(Sequel[:information_schema][:columns])
        .where(table_schema: "public", column_name: "studio_id")
        .select_map(:table_name)
    tables.to_h do |table|
      [
        table.to_sym,
        db.fetch(
          "SELECT md5(string_agg(t::text, '|' ORDER BY t::text)) FROM #{table} AS t WHERE studio_id = ?",
          theirs[:studio_id]
        ).single_value
      ]
    end
  end

  # @return [Array<String>] answers in which something of theirs stands
  def leaks(random)
    numbers = Hash.new { |all, name| all[name] = [] }
    %w[
      id
      piece_id
      student_id
      assignment
      assignment_id
      work
      lent
      message
      teacher_id
      away_id
      cover_id
      to
      with
      studio_id
    ].each { |name| numbers[name] = [1, 2] }
    numbers["for"] = %w[1 2]
    contract =
      Fuzz::Contract.new(File.expand_path("../../api/openapi.yaml", __dir__), random, numbers)
    contract
      .operations
      .reject { |operation| %w[/api/logout /api/login].include?(operation.path) }
      .filter_map do |operation|
        path =
          operation
            .path
            .gsub(/\{(\w+)\}/) do
              Rack::Utils.escape_path(
                contract.value(
                  operation.parameters.find { |one| one["name"] == $1 }["schema"],
                  $1
                ).to_s
              )
            end
        query =
          operation
            .parameters
            .select { |one| one["in"] == "query" }
            .map do |one|
              [one["name"], Array(contract.value(one["schema"], one["name"])).join(",")]
            end
        header("X-CSRF-Token", @csrf)
        header("Content-Type", operation.type || "application/json")
        custom_request(
          operation.verb,
          "#{path}?#{URI.encode_www_form(query)}",
          {},
          input: operation.body && JSON.generate(contract.value(operation.body))
        )
        if last_response.body.b.include?(secret) || last_response.status >= 500
          "#{operation.verb} #{path}: #{last_response.body[0, 300]}"
        end
      end
  end

  define_method(:secret) { secret }

  it "show nothing and change nothing" do
    before = prints
    expect(before.compact.size).to be >= 17
    found = (1..times).flat_map { |seed| leaks(Random.new(RSpec.configuration.seed + seed)) }
    expect(found).to eq([])
    changed = prints.reject { |table, print| before[table] == print }.keys
    expect(changed).to eq([])
    TestApp.work_on_jobs
    expect(prints.reject { |table, print| before[table] == print }.keys).to eq([])
  end

  # Whoever asks has rights: with the same numbers, at home, things do change.
  it "are seen at home" do
    clear_cookies
    sign_in
    before = prints
    found = leaks(Random.new(RSpec.configuration.seed))
    expect(found.size).to be > 10
    expect(prints).not_to eq(before)
  end
end
