# frozen_string_literal: true

require "securerandom"
require_relative "served"

# What requests cost for bin/bench: the server's computing beside that of a request that is
# signed in and asks for nothing, and what a second process brings.
module Load
  SECONDS = 6
  CLIENTS = 6
  # Requests of which the median is taken.
  ASKED = 41

  # @param app [#call]
  # @param settings [Stairwell::Server::Settings]
  def requests(app, settings)
    browser = Browser.new(app).sign_in
    students =
      browser
        .json("/api/studio")
        .map { |row| browser.json("/api/students/#{row["id"]}") }
        .select { |one| one["sheet_path"] && one["pieces"].any? }
    student = students.first
    empty = computing { browser.get("/api/session") }
    paths(student).each do |name, path|
      row(
        "computing of #{name}",
        computing { browser.get(path) },
        empty,
        "a request that is signed in and asks for nothing"
      )
    end
    taps = taps(browser, students)
    tap = -> { browser.post(*taps.first.call) }
    sheet = paths(student)["the sheet"]
    tapped = computing(&tap)
    row("computing of a tap", tapped, empty, "the same")
    row(
      "computing of the sheet, after a tap",
      computing { tap.call && browser.get(sheet) } - tapped,
      empty,
      "the same"
    )
    stale = computing { tap.call && browser.get("/api/studio") } - tapped
    row(
      "computing of the studio page, a row stale",
      stale,
      computing { browser.get("/api/studio") },
      "with fresh rows"
    )
    processes(browser, paths(student), taps, settings)
  end

  private

  # What is sent when a box is tapped, of each student: taps of one wait for each other.
  # @return [Array<Proc>] each gives a path and a new body
  def taps(browser, students)
    students
      .first(CLIENTS)
      .map do |student|
        sheet = paths(student)["the sheet"]
        item = browser.json(sheet)["days"].flat_map { |day| day["items"] }.first
        -> do
          [
            "#{sheet}/marks",
            {
              key: SecureRandom.uuid,
              kind: "repetition",
              assignment_id: item["assignment_id"],
              step_id: item["step_id"]
            }
          ]
        end
      end
  end

  def paths(student) =
    {
      "the sheet" => student["sheet_path"].sub("/s/", "/api/sheet/"),
      "the lesson page" => "/api/students/#{student["id"]}/lesson",
      "the studio page" => "/api/studio"
    }

  # @return [Float] seconds of this process
  def computing
    3.times { yield }
    Array
      .new(ASKED) do
        before = Process.clock_gettime(Process::CLOCK_PROCESS_CPUTIME_ID)
        yield
        Process.clock_gettime(Process::CLOCK_PROCESS_CPUTIME_ID) - before
      end
      .sort[
      ASKED / 2
    ]
  end

  # Requests in some seconds with two processes, and with one for comparison; the clients and the
  # database share the machine with them.
  def processes(browser, paths, taps, settings)
    acts = paths.transform_values { |path| ->(http, _) { http.get(path, browser.headers) } }
    acts["a tap"] = lambda do |http, client|
      path, body = taps[client % taps.size].call
      http.post(path, JSON.generate(body), browser.headers)
    end
    one, two =
      [1, 2].map do |count|
        Served
          .new(settings, web: count, jobs: false)
          .run { |server| acts.transform_values { |act| rate(server, &act) } }
      end
    acts.each_key do |name|
      puts format(
             "%-52s %9.1f /s  %9.1f /s  %8.2f ×  %s",
             "#{name}, by two processes",
             two[name],
             one[name],
             two[name] / one[name],
             "by one"
           )
    end
  end

  # In processes of their own, so that the clients' computing is not in the way of itself.
  def rate(server, &act)
    counts =
      Array
        .new(CLIENTS) do |client|
          reader, writer = IO.pipe
          child =
            fork do
              reader.close
              writer.write(asked(server) { |http| act.call(http, client) })
              exit!(0)
            end
          writer.close
          [child, reader]
        end
        .map { |child, reader| reader.read.to_i.tap { Process.wait(child) } }
    counts.sum.fdiv(SECONDS)
  end

  def asked(server)
    count = 0
    server.connected do |http|
      over = Process.clock_gettime(Process::CLOCK_MONOTONIC) + SECONDS
      while Process.clock_gettime(Process::CLOCK_MONOTONIC) < over
        answer = yield http
        raise answer.body unless answer.is_a?(Net::HTTPSuccess)

        count += 1
      end
    end
    count
  end

  # A browser without a network between it and the application.
  class Browser
    def initialize(app)
      @app = Rack::MockRequest.new(app)
      @cookie = ""
    end

    def sign_in
      @csrf = json("/api/session")["csrf"]
      post(
        "/api/login",
        { email: Demo::People::TEACHERS.first[:email], password: Demo::People::PASSWORD }
      )
      @csrf = json("/api/session")["csrf"]
      self
    end

    # @return [Hash{String => String}] of whoever asks as this browser
    def headers =
      { "Cookie" => @cookie, "X-CSRF-Token" => @csrf, "Content-Type" => "application/json" }

    def get(path) = kept(@app.get(path, "HTTP_COOKIE" => @cookie))

    def json(path) = JSON.parse(get(path).body)

    def post(path, body) =
      kept(
        @app.post(
          path,
          :input => JSON.generate(body),
          "CONTENT_TYPE" => "application/json",
          "HTTP_X_CSRF_TOKEN" => @csrf,
          "HTTP_COOKIE" => @cookie
        )
      )

    private

    def kept(answer)
      raise "#{answer.status}: #{answer.body[0, 200]}" if answer.status >= 400

      found =
        Array(answer.headers["set-cookie"])
          .flat_map(&:lines)
          .find { |line| line.start_with?("stairwell=") }
      @cookie = found[/\A[^;]*/] if found
      answer
    end
  end
end
