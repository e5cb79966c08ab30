# frozen_string_literal: true

require "yaml"
require_relative "../spec_helper"

# Who may do what, cell by cell: the operations come from the contract, what is expected from
# the table in docs/people.md.
RSpec.describe "Rights" do
  contract = YAML.safe_load_file(File.expand_path("../../api/openapi.yaml", __dir__))
  operations =
    contract["paths"]
      .flat_map do |path, item|
        item
          .except("parameters")
          .map { |method, operation| [operation["operationId"], [method.to_sym, path]] }
      end
      .to_h
  rows =
    File
      .readlines(File.expand_path("../../docs/people.md", __dir__))
      .filter_map do |line|
        line.split("|").map(&:strip).drop(1) if line.include?("`") && line.start_with?("|")
      end
  table =
    rows
      .flat_map do |_, names, *cells|
        names
          .scan(/`(\w+)`/)
          .flatten
          .map { |name| [name, %w[owner teacher assistant].zip(cells).to_h] }
      end
      .to_h
  # These end the session, or are no matter of it.
  aside = %w[logout login health]

  let!(:studio) { TestApp.studio }
  let!(:student) do
    sign_in
    student_with_piece
  end

  def member(role)
    email = "#{role}@quay.example"
    id =
      Stairwell::Server::Auth.add_account(
        TestApp.store.db,
        email: email,
        name: role.capitalize,
        password: TestApp::PASSWORD
      )
    TestApp::OWNER[:memberships].insert(studio_id: studio[:studio_id], account_id: id, role: role)
    Class.new { include Requests }.new.then { |one| one.sign_in(email: email) && one }
  end

  # @return [Boolean] whether it was let through, to whatever came of it
  def let?(browser, method, path, body = ((method == :get) ? nil : {}))
    filled =
      path.gsub(/\{(\w+)\}/) do
        { "id" => 1, "assignment" => 1, "work" => 1, "lent" => 1, "revision" => 1 }.fetch($1, "x")
      end
    browser.ask(method, filled, body)
    browser.last_response.status != 403
  rescue JSON::ParserError
    browser.last_response.ok? # a print
  end

  it "are said for each operation of the contract, and for nothing else" do
    expect(table.keys).to match_array(operations.keys)
    expect(rows.flat_map { |_, names, *| names.scan(/`(\w+)`/).flatten }.tally.values).to all(eq(1))
  end

  %w[owner teacher assistant].each do |role|
    it "of the #{role} are those of the table" do
      browser = (role == "owner") ? self : member(role)
      allowed =
        operations.except(*aside).select { |_, (method, path)| let?(browser, method, path) }.keys
      expect(allowed).to match_array(
        table.except(*aside).select { |_, cells| cells[role].start_with?("yes") }.keys
      )
    end
  end

  it "of a teacher end at others' students where the studio says so" do
    teacher = member("teacher")
    own = teacher.ask(:post, "/api/students", Requests::STUDENT.merge(name: "Own"))["id"]
    ask(:put, "/api/studio/settings", { own_students_only: true })
    kept = table.select { |_, cells| cells["teacher"].include?("own students") }.keys
    tried =
      kept.to_h do |name|
        [
          name,
          [student["id"], own].map do |id|
            let?(teacher, operations[name].first, operations[name].last.sub("{id}", id.to_s))
          end
        ]
      end
    expect(tried).to eq(kept.to_h { |name| [name, [false, true]] })
    # However the student's number is written.
    written =
      ["%3#{student["id"]}", "0#{student["id"]}", "+#{student["id"]}"].map do |id|
        let?(teacher, :post, "/api/students/#{id}/week")
      end
    expect(written).to eq([false, false, false])
    # Nor by what one student has differently from the page.
    layers =
      [student["id"], own].map do |id|
        teacher.ask(
          :put,
          "/api/pieces/1/script",
          { script: "fine: 12\n", revision: 0, for: id.to_s }
        ) && teacher.status
      end
    expect(layers).to eq([403, 200])
    others = table.select { |_, cells| cells["teacher"] == "yes" }.keys - aside
    expect(others.reject { |name| let?(teacher, *operations[name]) }).to eq([])
    expect(
      [
        ask(:get, "/api/students/#{own}")["may"],
        teacher.ask(:get, "/api/students/#{own}")["may"],
        teacher.ask(:get, "/api/students/#{student["id"]}")["may"]
      ]
    ).to eq([%w[hear change], %w[hear change], []])
    expect(let?(member("assistant"), :post, "/api/students/{id}/results")).to be(true)
  end

  it "are said in words that tell whom to ask" do
    assistant = member("assistant")
    expect(assistant.ask(:put, "/api/studio/settings", { caution: "x" })).to include(
      "code" => "not_allowed",
      "detail" => "Only an owner of the studio changes this. Ask one of them."
    )
    expect(assistant.ask(:post, "/api/pieces", { script: Requests::SCRIPT })["detail"]).to include(
      "only a teacher changes this"
    )
    expect(assistant.ask(:get, "/api/session")["studio"]).to include(
      "role" => "assistant",
      "may" => %w[read hear]
    )
  end
end
