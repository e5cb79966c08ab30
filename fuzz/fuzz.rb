# frozen_string_literal: true

require "json"
require "rack/mock_request"
require_relative "contract"
require_relative "junk"

# Sends what nobody means at the whole application, signed in and not, and says what it did
# not bear: an answer of the 5xx kind, one that is no problem+json where it refuses, one
# that takes long, memory that grows.
class Fuzz
  # Seconds of the server's own computing that a request may take on an idle machine. Own choice.
  MOST_SECONDS = 10.0
  # Bytes by which the process may grow over a run. Own choice: what is loaded once, and
  # some slack of the memory's manager.
  MOST_GROWTH = 400 * 1024 * 1024
  # What was sent, and what was wrong with the answer.
  Fault =
    Struct.new(:at, :what, :request) do
      # @return [Boolean] whether it only took long, which says as much of the machine
      def slow? = what.end_with?("of computing")

      def to_s = "request #{at}: #{what}\n    #{request}"
    end

  # Whoever signs in, and how often their requests got past the door.
  attr_reader :faults, :sent, :statuses, :slowest, :past_the_door

  # @param app [#call] of Rack
  # @param contract [String] its file
  # @param seed [Integer]
  # @param known [Hash{String => Array}] see {Contract}
  # @param people [Array<Hash>] who can sign in: email:, password:, role:
  # @param scripts [Array<String>] good ones
  # @param files [Array<Array(String, String)>] good ones: name and bytes
  def initialize(app, contract:, seed:, known:, people:, scripts:, files:)
    @app = app
    @random = Random.new(seed)
    @junk = Junk.new(@random)
    @contract = Contract.new(contract, @random, known)
    @people = people
    @scripts = scripts
    @files = files
    @faults = []
    @sent = 0
    @statuses = Hash.new(0)
    @past_the_door = Hash.new(0)
    @slowest = [0.0, nil]
  end

  # @param count [Integer] of requests that are signed in: what is refused for want of a session
  #   does not count
  # @return [self]
  def requests(count)
    before = memory
    at = -1
    while @past_the_door.values.sum < count
      sign_in if ((at += 1) % 100).zero?
      raise "hardly a request gets past the door" if at > count * 4

      operation = @junk.pick(@contract.operations)
      send_one(**request(operation))
    end
    grown = memory - before
    if grown > MOST_GROWTH
      @faults << Fault.new(@sent, "memory grew by #{grown / 1024 / 1024} MB", "all of them")
    end
    self
  end

  # @return [self]
  def scores(count)
    count.times do |at|
      sign_in if (at % 50).zero?
      name, bytes = @junk.pick(@files)
      send_one(
        verb: "POST",
        path: "/api/pieces/score",
        query: "name=#{name}",
        body: @junk.bytes(bytes),
        type: "application/octet-stream",
        headers: {
        }
      )
    end
    self
  end

  private

  def sign_in
    @cookies = {}
    @csrf = nil
    @csrf = session
    @person = @junk.pick(@people)
    said = JSON.generate(@person.slice(:email, :password))
    answer = call("POST", "/api/login", "", said, "application/json", {})
    raise "nobody can sign in: #{answer.body}" unless answer.status == 200

    @csrf = session
  end

  def session = JSON.parse(call("GET", "/api/session", "", nil, nil, {}).body)["csrf"]

  def request(operation)
    path =
      operation
        .path
        .gsub(/\{(\w+)\}/) do
          parameter = operation.parameters.find { |one| one["name"] == Regexp.last_match(1) }
          escaped(
            @junk.now?(6) ? @junk.value : @contract.value(parameter["schema"], parameter["name"])
          )
        end
    queries =
      operation.parameters.select do |one|
        one["in"] == "query" && (one["required"] || @junk.now?(2))
      end
    query =
      queries
        .map do |one|
          "#{one["name"]}=#{escaped(@junk.now?(5) ? @junk.value : @contract.value(one["schema"], one["name"]))}"
        end
        .join("&")
    query = @junk.bytes(query + "&x=%41[]") if @junk.now?(12)
    headers =
      (
        if @junk.now?(8)
          @junk.pick(Junk::HEADERS).then { |name, values| { name => @junk.pick(values) } }
        else
          {}
        end
      )
    {
      verb: @junk.now?(60) ? @junk.pick(%w[PATCH OPTIONS TRACE HEAD]) : operation.verb,
      path: path,
      query: query,
      body: body(operation),
      type: operation.type,
      headers: headers
    }
  end

  def escaped(value) =
    URI.encode_www_form_component(
      (
        if value.is_a?(Hash) || value.is_a?(Array)
          JSON.generate(value)
        else
          value.to_s.dup.force_encoding(Encoding::BINARY)
        end
      )
    )

  def body(operation)
    return unless operation.body
    if operation.type == "application/octet-stream"
      return @junk.pick(@files).then { |_, bytes| @junk.now?(2) ? bytes : @junk.bytes(bytes) }
    end

    value = @contract.value(operation.body)
    if value.is_a?(Hash) && value.key?("script")
      value["script"] = (
        if @junk.now?(2)
          @junk.pick(@scripts)
        else
          @junk.script(@junk.pick(@scripts))
        end
      )
    end
    value = @junk.spoilt(value) if @junk.now?(2)
    text = JSON.generate(value)
    @junk.now?(8) ? @junk.bytes(text) : text
  rescue JSON::GeneratorError
    "{"
  end

  def send_one(verb:, path:, query:, body:, type:, headers:)
    @sent += 1
    started = seconds
    answer = call(verb, path, query, body, type, headers)
    took = seconds - started
    @statuses[answer.status] += 1
    @past_the_door[@person[:role]] += 1 if @signed && answer.status != 401
    request = "#{verb} #{path[0, 200]}?#{query.b[0, 200]} #{headers} #{body.to_s.b[0, 600].inspect}"
    @slowest = [took, request] if took > @slowest.first
    sign_in if answer.status == 401 && @sent % 8 != 0
    wrong(answer, took, verb)&.then { |what| @faults << Fault.new(@sent, what, request) }
  rescue StandardError => error
    @faults << Fault.new(
      @sent,
      "the application raised #{error.class}: #{error.message[0, 200]} #{error.backtrace.first}",
      "#{verb} #{path[0, 200]}?#{query}"
    )
  end

  def wrong(answer, took, verb)
    return "#{answer.status} #{answer.body[0, 300]}" if answer.status >= 500
    return format("%.1f s of computing", took) if took > MOST_SECONDS
    return if answer.status < 400 || verb == "HEAD"

    unless problem?(answer)
      "a refusal that is no problem: #{answer.status} #{answer.headers["content-type"]} #{answer.body[0, 100]}"
    end
  end

  def problem?(answer)
    return false unless answer.headers["content-type"] == "application/problem+json"

    said = JSON.parse(answer.body)
    said["status"] == answer.status &&
      %w[title code detail].all? { |name| said[name].is_a?(String) && !said[name].strip.empty? }
  rescue JSON::ParserError
    false
  end

  # Each as if from another network, so that none is told to wait; one in eight unsigned.
  def call(verb, path, query, body, type, headers)
    env = Rack::MockRequest.env_for("http://localhost/", method: verb, input: body || "")
    env.update(
      "PATH_INFO" => URI.decode_www_form_component(path).b,
      "QUERY_STRING" => query.b,
      "REMOTE_ADDR" => "10.#{@sent / 65_536}.#{@sent / 256 % 256}.#{@sent % 256}",
      "CONTENT_LENGTH" => body.to_s.bytesize.to_s
    )
    env.delete("CONTENT_TYPE")
    env["CONTENT_TYPE"] = type if type && body
    @signed = signed = path.start_with?("/api/session", "/api/login") || @sent % 8 != 0
    env["HTTP_COOKIE"] = @cookies.map { |pair| pair.join("=") }.join("; ") if signed &&
      @cookies.any?
    env["HTTP_X_CSRF_TOKEN"] = @csrf if @csrf
    env.update(headers)
    answer = Rack::MockResponse.new(*@app.call(env))
    kept(answer) if path.start_with?("/api/session", "/api/login") && headers.empty?
    answer
  end

  def kept(answer)
    Array(answer.headers["set-cookie"])
      .flat_map(&:lines)
      .each { |line| line[/\A[^;]*/].split("=", 2).then { |name, value| @cookies[name] = value } }
  end

  # Of this process and of those it waited for.
  def seconds = Process.times.then { |one| one.utime + one.stime + one.cutime + one.cstime }

  def memory = File.read("/proc/self/statm").split[1].to_i * 4_096
end
