# frozen_string_literal: true

require "openapi_first"
require "rack/attack"
require "rack/protection"

module Stairwell
  module Server
    # What stands before the routes: sizes, rates, forged requests, the contract.
    module Guards
      # Where passwords and keys can be guessed, and mail be asked for.
      TRIED =
        [*Auth::ROUTES.except(:logout).values, "forgotten", "open", "join"].map do |path|
            "/api/#{path}"
          end
          .freeze
      INVITATIONS = "/api/invitations/"
      private_constant :TRIED, :INVITATIONS

      # The client's address is the connection's; only a proxy that is named may say another.
      # @param proxies [Array<String>] their addresses
      # @return [void]
      def self.trust(proxies) = Rack::Request.ip_filter = ->(address) { proxies.include?(address) }

      # @param store [Store]
      # @return [Class] Rack::Attack, set up
      def self.rates(store)
        Rack::Attack.cache.store = Counts.new(store.db)
        Rack::Attack.throttle("sign-in", **Limits::SIGN_INS) do |request|
          request.ip if TRIED.include?(request.path) || request.path.start_with?(INVITATIONS)
        end
        Rack::Attack.throttle("session", **Limits::OPENED) do |request|
          request.ip if request.path == "/api/session"
        end
        Rack::Attack.throttle("sheet", **Limits::SHEETS) do |request|
          request.ip if request.path.start_with?("/api/sheet/", "/api/calendars/")
        end
        Rack::Attack.throttled_responder =
          lambda do |_request|
            Problem.new(
              429,
              Phrase["server.guards.that_was_too_often_wait_a"],
              code: "too_often"
            ).to_rack
          end
        Rack::Attack
      end
    end
  end
end
