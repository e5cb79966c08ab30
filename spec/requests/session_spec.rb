# frozen_string_literal: true

require_relative "../spec_helper"

RSpec.describe "Signing in" do
  before { TestApp.studio }

  it "looks no further than the door before signing in" do
    @csrf = ask(:get, "/api/session")["csrf"]
    expect(Stairwell::Server::Guards::Contract::DEFINITION).not_to receive(:validate_request)
    header("X-CSRF-Token", @csrf)
    header("Content-Type", "application/json")
    [["POST", "/api/pieces", "{\"script\":1"], ["GET", "/api/today?teachers=none", nil], ["PUT", "/api/students/x", "[]"], ["GET", "/api/nowhere", nil]].each do |method, path, body|
      custom_request(method, path, {}, input: body.to_s)
      expect([path, status, JSON.parse(last_response.body)["code"]]).to eq([path, 401, "sign_in"])
    end
  end

  it "lets a person in and out, and says who they are" do
    sign_in
    expect(ask(:get, "/api/session")).to include("account" => {"name" => "Mira Quist", "email" => "owner@quay.example"}, "studio" => include("name" => "Quay Street", "today" => "2027-03-03"))
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

  it "locks an account after repeated failures" do
    Stairwell::Server::Limits::MOST_FAILURES.times { sign_in(password: "no") }
    expect(sign_in["code"]).to eq("locked")
    expect(status).to eq(403)
  end

  it "limits how often an address may try" do
    statuses = Array.new(25) { |at| sign_in(email: "n#{at}@quay.example").then { status } }
    expect(statuses).to include(429)
    expect(last_response.content_type).to eq("application/problem+json")
  end

  it "keeps a person signed in who wants it, with cookies no script can read" do
    @csrf = ask(:get, "/api/session")["csrf"]
    ask(:post, "/api/login", {email: "owner@quay.example", password: TestApp::PASSWORD, remember: true})
    cookies = Array(last_response.headers["set-cookie"]).join("\n").lines
    expect(cookies.size).to be >= 2
    expect(cookies).to all(match(/httponly/i).and(match(/samesite=lax/i)))
    rack_mock_session.cookie_jar.delete("stairwell") # the session ends with the browser
    expect(ask(:get, "/api/session")["account"]).not_to be_nil
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

  it "sends a strict content policy and no inline script" do
    get "/"
    policy = last_response.headers["content-security-policy"]
    expect(policy).to include("default-src 'none'", "script-src 'self' 'wasm-unsafe-eval';", "frame-ancestors 'none'")
    expect(policy).not_to include("unsafe-inline", "'unsafe-eval'")
    nonce = policy[/'nonce-([^']+)'/, 1]
    expect(last_response.body).to include(nonce)
    expect(last_response.body).not_to match(/<script(?![^>]*\ssrc=)/)
  end

  it "says that it is well without a session" do
    expect(ask(:get, "/health")).to eq("ok" => true)
  end
end
