# frozen_string_literal: true

require "json"
require "net/http"
require "securerandom"

# A client that keeps what it wants to say until the server has taken it, as the browser's
# pages do: the same request again and again, with the same key.
class PatientClient
  # Guesses that are sent at the same time.
  AT_ONCE = 5
  # Refused for good; what was sent is wrong.
  Refused = Class.new(StandardError)
  LOST = [SystemCallError, IOError, EOFError, Timeout::Error, Net::HTTPBadResponse].freeze

  # @return [String] of the session, which what is changed carries
  attr_writer :token

  # @param address [String]
  def initialize(address)
    @uri = URI(address)
    @cookies = {}
  end

  def sign_in(email, password)
    @token = ask(:get, "/api/session")["csrf"]
    ask(:post, "/api/login", { email: email, password: password })
    @token = ask(:get, "/api/session")["csrf"]
    self
  end

  # @param address [String] of another server
  # @return [PatientClient] with the same cookies there
  def at(address) = dup.tap { |other| other.instance_variable_set(:@uri, URI(address)) }

  # @return [Hash, Array] the answer, whenever it comes
  # @raise [Refused]
  def ask(method, path, body = nil, type: "application/json")
    deadline = Time.now + 90
    begin
      answer = send_once(method, path, body, type)
      raise IOError, "away" if answer.code.to_i >= 502

      unless answer.is_a?(Net::HTTPSuccess)
        raise Refused, "#{method} #{path}: #{answer.code} #{answer.body}"
      end

      JSON.parse(answer.body)
    rescue *LOST
      raise if Time.now > deadline

      sleep 0.1
      retry
    end
  end

  # @return [Net::HTTPResponse] whatever is answered the first time
  def once(method, path, body = nil, type: "application/json") = send_once(method, path, body, type)

  # Tries to sign in with wrong passwords until it is told to wait. The limit counts tries per clock
  # minute: a slow machine spreads them over several, and needs more of them.
  # @param at_most [Integer] tries
  # @return [Boolean] whether it was told to
  def guess_until_told_to_wait(at_most: 200) =
    (at_most / AT_ONCE).times.any? { guess(AT_ONCE).include?("429") }

  # @param tries [Integer] wrong passwords, all sent at once
  # @return [Array<String>] status of each answer
  def guess(tries)
    @token ||= ask(:get, "/api/session")["csrf"]
    wrong = { email: "nobody@quay.example", password: "wrong wrong wrong" }
    Array.new(tries) { Thread.new { once(:post, "/api/login", wrong).code } }.map(&:value)
  end

  private

  def send_once(method, path, body, type)
    Net::HTTP.start(
      @uri.host,
      @uri.port,
      open_timeout: 5,
      read_timeout: 30,
      max_retries: 0,
      use_ssl: @uri.scheme == "https",
      verify_mode: OpenSSL::SSL::VERIFY_NONE # a certificate of our own
    ) do |http|
      request =
        Net::HTTP.const_get(method.to_s.capitalize).new(
          path,
          {
            "Cookie" => @cookies.map { |pair| pair.join("=") }.join("; "),
            "X-CSRF-Token" => @token.to_s
          }
        )
      request["Content-Type"] = type if body
      request.body = body.is_a?(String) ? body : JSON.generate(body) if body
      http
        .request(request)
        .tap do |answer|
          answer
            .get_fields("set-cookie")
            .to_a
            .each do |line|
              line[/\A[^;]*/].split("=", 2).then { |name, value| @cookies[name] = value }
            end
        end
    end
  end
end
