# frozen_string_literal: true

# Talks to the whole application as a browser would, and holds every answer
# against the contract.
module Requests
  include Rack::Test::Methods

  CONTRACT = OpenapiFirst.load(File.expand_path("../../api/openapi.yaml", __dir__))
  SCRIPT = <<~TEXT
    title: The Lock Gate
    book: Tidewater Primer 2
    page 12: 4 4 4
    time: 3/4
    tempo: target 76
    repeat: 1-8
    section A: 1-4
    section A1: 5-8 like A except 8
    section B: 9-12
  TEXT
  STUDENT = {
    name: "Nell",
    practice_days: [4, 5, 6, 0, 1],
    minutes_a_day: 20,
    begin_per_day: 2,
    lesson_weekday: 3,
    lesson_time: "16:30",
    hand_order: "right",
    introduce_first: false
  }.freeze

  def app = TestApp.app

  # @return [Object] the answer's JSON
  def ask(method, path, body = nil, **headers)
    headers.each { |name, value| header(name.to_s.tr("_", "-"), value) }
    header("X-CSRF-Token", @csrf) if @csrf
    if body
      header("Content-Type", "application/json")
      custom_request(
        method.to_s.upcase,
        path,
        {},
        input: body.is_a?(String) ? body : JSON.generate(body)
      )
    else
      custom_request(method.to_s.upcase, path)
    end
    hold_against_contract
    last_response.body.empty? ? nil : JSON.parse(last_response.body)
  end

  # @return [Integer]
  def status = last_response.status

  def sign_in(email: "owner@quay.example", password: TestApp::PASSWORD)
    @csrf = ask(:get, "/api/session")["csrf"]
    ask(:post, "/api/login", { email: email, password: password }).tap do
      @csrf = ask(:get, "/api/session")["csrf"] if status == 200
    end
  end

  # @param of [Integer, String] the piece it is for; none makes one
  def load_score(bytes, name: "piece.musicxml", of: nil, **said)
    header("X-CSRF-Token", @csrf)
    header("Content-Type", "application/octet-stream")
    custom_request(
      "POST",
      "/api/pieces/#{"#{of}/" if of}score?#{Rack::Utils.build_query({ name: name, **said })}",
      {},
      input: bytes
    )
    hold_against_contract
    JSON.parse(last_response.body)
  end

  # A student who has the piece of SCRIPT, and a link.
  # @return [Hash] the student as the API shows it
  def student_with_piece
    # As if they had been asked for.
    header("X-CSRF-Token", @csrf) if @csrf
    header("Content-Type", "application/json")
    Beginnings.at(:student_with_piece) do
      piece = ask(:post, "/api/pieces", { script: SCRIPT })
      id = ask(:post, "/api/students", STUDENT)["id"]
      ask(
        :post,
        "/api/students/#{id}/pieces",
        { piece_id: piece["id"], routine: "hand_by_hand", hand_order: "right", target_tempo: 76 }
      )
      ask(:post, "/api/students/#{id}/link", {})
    end
  end

  # @return [String] path of a student's sheet in the API
  def sheet_of(student) = student["sheet_path"].sub("/s/", "/api/sheet/")

  # The sheet after a tap.
  # @return [Hash]
  def tap(path, item, **more)
    mark(path, item, **more)
    ask(:get, path)
  end

  # As the sheet sends it: with how often the day asks for it.
  def mark(path, item, kind: "repetition", key: SecureRandom.uuid, **more)
    more = { asked: item["repetitions"], **more }.compact if item["repetitions"]
    ask(
      :post,
      "#{path}/marks",
      {
        key: key,
        kind: kind,
        assignment_id: item["assignment_id"],
        step_id: item["step_id"],
        **more
      }
    )
  end

  private

  def hold_against_contract
    return unless last_request.path.start_with?("/api/", "/health")
    if last_response.status == 500
      raise "The server failed: #{last_response.body}\n#{TestApp::LOG.string[0, 3000]}"
    end

    return if last_response.status == 404 && last_response.body.include?("nothing at this address")

    checked = CONTRACT.validate_response(last_request, last_response)
    if checked.error && last_response.status != 405
      raise "Not as in the contract: #{checked.error.exception_message}\n#{last_response.body[0, 800]}"
    end
  end
end
