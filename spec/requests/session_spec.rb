# frozen_string_literal: true

require_relative "../spec_helper"

RSpec.describe "Signing in" do
  before { TestApp.studio }

  it "looks no further than the door before signing in" do
    @csrf = ask(:get, "/api/session")["csrf"]
    expect(Stairwell::Server::Guards::Contract::DEFINITION).not_to receive(:validate_request)
    header("X-CSRF-Token", @csrf)
    header("Content-Type", "application/json")
    [
      ["POST", "/api/pieces", "{\"script\":1"],
      ["GET", "/api/today?teachers=none", nil],
      ["PUT", "/api/students/x", "[]"],
      ["GET", "/api/nowhere", nil]
    ].each do |method, path, body|
      custom_request(method, path, {}, input: body.to_s)
      expect([path, status, JSON.parse(last_response.body)["code"]]).to eq([path, 401, "sign_in"])
    end
  end

  it "lets a person in and out, and says who they are" do
    sign_in
    expect(ask(:get, "/api/session")).to include(
      "account" => {
        "name" => "Mira Quist",
        "email" => "owner@quay.example"
      },
      "studio" => include("name" => "Quay Street", "today" => "2027-03-03")
    )
    ask(:post, "/api/logout", {})
    expect(ask(:get, "/api/session")["account"]).to be_nil
  end

  it "does not care about the case of the address" do
    sign_in(email: " Owner@Quay.example")
    expect(status).to eq(200)
  end

  it "refuses a wrong password in words, and tells no one which addresses exist" do
    wrong = sign_in(password: "no")
    expect([status, wrong["detail"]]).to eq([401, "Email and password do not match."])
    expect(sign_in(email: "nobody@quay.example")["detail"]).to eq(wrong["detail"])
  end

  it "answers alike whether an address exists or not: what is said, and what is computed" do
    hashed = 0
    allow(BCrypt::Engine).to receive(:hash_secret).and_wrap_original { |hash, *given|
      hash.call(*given).tap { hashed += 1 }
    }
    TestApp::OWNER[:accounts].insert(email: "closed@quay.example", name: "Gone", status_id: 3)
    answers =
      %w[owner nobody closed].map do |name|
        [sign_in(email: "#{name}@quay.example", password: "no"), status, hashed.tap { hashed = 0 }]
      end
    expect(answers.uniq.size).to eq(1)
    expect(answers.first.last).to eq(1)
    locked =
      %w[owner nobody].map do |name|
        Stairwell::Server::Limits::MOST_FAILURES.times do
          sign_in(email: "#{name}@quay.example", password: "no")
        end
        TestApp::OWNER[:rate_counts].where(Sequel.like(:key, "rack::attack%")).delete
        [sign_in(email: "#{name}@quay.example")["code"], status]
      end
    expect(locked.uniq).to eq([["locked", 403]])
  end

  it "lets no stranger lock a person out of a device that was signed in before" do
    sign_in
    ask(:post, "/api/logout", {})
    stranger = Class.new { include Requests }.new
    (Stairwell::Server::Limits::MOST_FAILURES + 1).times { stranger.sign_in(password: "guessed") }
    expect([stranger.sign_in && stranger.status, sign_in && status]).to eq([403, 200])
    # A known device that guesses is stopped as well, and only that one.
    ask(:post, "/api/logout", {})
    Stairwell::Server::Limits::MOST_FAILURES.times { sign_in(password: "no") }
    TestApp::OWNER[:rate_counts].where(Sequel.like(:key, "rack::attack%")).delete
    expect(sign_in && status).to eq(403)
  end

  it "tries an address again after some minutes, or when the server's keeper says so" do
    Stairwell::Server::Limits::MOST_FAILURES.times { sign_in(password: "no") }
    expect(sign_in && status).to eq(403)
    Stairwell::Server::Attempts.new(
      TestApp.store.db,
      TestApp::SETTINGS.session_secret[0, 64],
      email: " Owner@quay.example"
    ).forget
    expect(sign_in && status).to eq(200)
    clear_cookies
    Stairwell::Server::Limits::MOST_FAILURES.times { sign_in(password: "no") }
    TestApp::OWNER[:rate_counts].update(
      expires_at: Sequel.lit("expires_at - interval '15 minutes'")
    )
    expect(sign_in && status).to eq(200)
  end

  # The limits count requests per clock minute, so the clock stands still from here on, and what is
  # counted in the block doesn't expire.
  def within_one_minute
    allow(Time).to receive(:now).and_return(Time.now)
    yield
    TestApp::OWNER[:rate_counts].update(expires_at: Sequel.lit("now() + interval '1 hour'"))
  end

  it "limits how often an address may try" do
    limit = Stairwell::Server::Limits::SIGN_INS[:limit]
    try = ->(number) { sign_in(email: "n#{number}@quay.example").then { status } }
    within_one_minute { try.call(0) }
    statuses = (1..limit).map(&try)
    expect(statuses).to eq([401] * (limit - 1) + [429])
    expect(last_response.content_type).to eq("application/problem+json")
  end

  describe "once signed in" do
    # The cookies of someone who copied them while they were good.
    let(:copied) { rack_mock_session.cookie_jar.for(URI("http://example.org/api")) }

    def account(cookies = nil)
      clear_cookies if cookies
      header("Cookie", cookies) if cookies
      ask(:get, "/api/session")["account"]
    end

    before do
      @csrf = ask(:get, "/api/session")["csrf"]
      ask(
        :post,
        "/api/login",
        { email: "owner@quay.example", password: TestApp::PASSWORD, remember: true }
      )
      @cookies = Array(last_response.headers["set-cookie"]).join("\n").lines
      @csrf = ask(:get, "/api/session")["csrf"]
      copied
    end

    it "keeps a person signed in who wants it, with cookies no script can read" do
      expect(@cookies.size).to be >= 2
      expect(@cookies).to all(
        match(/httponly/i).and(match(/samesite=lax/i)).and(match(/max-age|expires/i))
      )
      expect(Array(last_response.headers["set-cookie"]).join).to match(/^stairwell=.*expires=/i)
    end

    it "ends everywhere with signing out: a copied cookie opens nothing" do
      ask(:post, "/api/logout", {})
      expect(account(copied)).to be_nil
    end

    it "ends on all devices at once, where that is wanted" do
      other = Class.new { include Requests }.new
      other.sign_in
      ask(:post, "/api/logout", { everywhere: true })
      expect([account, other.ask(:get, "/api/session")["account"]]).to eq([nil, nil])
    end

    it "ends when the account is closed" do
      TestApp::OWNER[:accounts].update(status_id: 3)
      expect([account, ask(:get, "/api/today")["code"]]).to eq([nil, "sign_in"])
    end

    it "ends by rest and by age, later where one asked to stay signed in" do
      sessions = TestApp::OWNER[:account_active_session_keys]
      ends =
        lambda do |column, days|
          sessions.update(
            last_use: Sequel::CURRENT_TIMESTAMP,
            created_at: Sequel::CURRENT_TIMESTAMP
          )
          sessions.update(column => Sequel.lit("now() - ? * interval '1 day'", days))
          account.nil?
        end
      expect([ends[:last_use, 29], ends[:created_at, 179], ends[:last_use, 31]]).to eq(
        [false, false, true]
      )
      sign_in
      sessions.where(remembered: true).delete
      expect([ends[:last_use, 0.4], ends[:created_at, 6.9], ends[:created_at, 7.1]]).to eq(
        [false, false, true]
      )
    end
  end

  it "believes no header about the address it comes from, unless a proxy is named" do
    seen =
      lambda do |from, forwarded|
        Rack::Request.new(
          "REMOTE_ADDR" => from,
          "HTTP_X_FORWARDED_FOR" => forwarded,
          "rack.url_scheme" => "http"
        ).ip
      end
    expect([seen["10.0.0.9", "1.2.3.4"], seen["127.0.0.1", "1.2.3.4"]]).to eq(
      %w[10.0.0.9 127.0.0.1]
    )
    Stairwell::Server::Guards.trust(["127.0.0.1"])
    expect([seen["10.0.0.9", "1.2.3.4"], seen["127.0.0.1", "9.9.9.9, 1.2.3.4"]]).to eq(
      %w[10.0.0.9 1.2.3.4]
    )
  ensure
    Stairwell::Server::Guards.trust([])
  end

  it "may be asked for only so often from one place, and so may invitations" do
    limit = Stairwell::Server::Limits::OPENED[:limit]
    within_one_minute { get "/api/session" }
    TestApp::OWNER[:rate_counts].update(count: limit)
    get "/api/session"
    expect(last_response.status).to eq(429)
    TestApp::OWNER[:rate_counts].delete
    try = -> { get("/api/invitations/1.1.#{"0" * 32}").then { last_response.status } }
    within_one_minute { try.call }
    found = Array.new(Stairwell::Server::Limits::SIGN_INS[:limit]) { try.call }
    expect(found.uniq).to eq([404, 429])
  end

  it "asks for a token on every change, and refuses a forged request" do
    sign_in
    @csrf = nil
    header("X-CSRF-Token", "forged")
    expect(ask(:post, "/api/students", Requests::STUDENT)["code"]).to eq("csrf")
    expect(status).to eq(403)
  end

  it "lets nobody without a session see anything" do
    %w[pieces pieces/1 students students/1 students/1/lesson studio].each do |path|
      ask(:get, "/api/#{path}")
      expect([path, status]).to eq([path, 401])
    end
  end

  it "lets no cache keep what is private, nor what is not there" do
    sign_in
    piece = load_score(Stairwell::Formats::MusicXML.write(Demo::Pieces.fog_signal.map))
    student = student_with_piece
    kept =
      [
        "/api/students",
        "/api/pieces/#{piece["id"]}/score",
        "/api/students/#{student["id"]}/week.pdf",
        sheet_of(student),
        "/api/nowhere",
        "/assets/gone.js",
        "/gone.png",
        "/"
      ].map do |path|
        custom_request("GET", path)
        last_response.headers["cache-control"]
      end
    expect(kept.uniq).to eq(["no-store"])
    asset = Dir[File.join(Stairwell::Server::Pages::DIST, "assets/*.js")].first
    custom_request("GET", "/assets/#{File.basename(asset)}")
    expect(last_response.headers["cache-control"]).to include("immutable")
    custom_request("GET", "/.stamp")
    expect(last_response.body).not_to include(
      File.read(File.join(Stairwell::Server::Pages::DIST, ".stamp")).strip
    )
  end

  it "sends a strict content policy and no inline script" do
    get "/"
    policy = last_response.headers["content-security-policy"]
    expect(policy).to include(
      "default-src 'none'",
      "script-src 'self' 'wasm-unsafe-eval';",
      "frame-ancestors 'none'"
    )
    expect(policy).not_to include("unsafe-inline", "'unsafe-eval'")
    nonce = policy[/'nonce-([^']+)'/, 1]
    expect(last_response.body).to include(nonce)
    expect(last_response.body).not_to match(/<script(?![^>]*\ssrc=)/)
  end

  it "says that it is well without a session" do
    expect(ask(:get, "/health")).to eq("ok" => true)
  end
end
