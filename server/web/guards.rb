# frozen_string_literal: true

require "openapi_first"
require "rack/attack"
require "rack/protection"

module Stairwell
  module Server
    # What stands before the routes: sizes, rates, forged requests, the contract.
    module Guards
      # No client gets a stack trace or a bare 500: what the guards or the
      # routes did not foresee is logged and answered in words.
      class Safety
        # @param log [#puts]
        def initialize(app, log = $stderr)
          @app = app
          @log = log
        end

        def call(env)
          @app.call(env)
        rescue Problem => error
          error.to_rack
        rescue Rack::QueryParser::InvalidParameterError, Rack::QueryParser::ParameterTypeError, Rack::Multipart::Error,
          EncodingError, URI::InvalidURIError => error
          Problem.new(400, Phrase["server.guards.the_request_could_not_be_read", why: error.message.scrub], code: "unreadable").to_rack
        rescue => error
          @log.puts("#{env["REQUEST_METHOD"]} #{env["PATH_INFO"]}: #{error.full_message(highlight: false)}")
          Problem.new(500, Phrase["server.guards.something_went_wrong_on_our_side"], code: "internal").to_rack
        end
      end

      # Bodies larger than anything the app takes are refused unread.
      class Size
        JSON_BYTES = 1024 * 1024

        def initialize(app)
          @app = app
        end

        def call(env)
          limit = (env["PATH_INFO"] == "/api/pieces/score") ? Constants::MOST_SCORE_BYTES : JSON_BYTES
          return @app.call(env) if env["CONTENT_LENGTH"].to_i <= limit

          Problem.new(413, Phrase["server.guards.that_is_more_than_mb_send", megabytes: limit / 1024 / 1024], code: "too_large").to_rack
        end
      end

      # A changing request must carry the session's token, which another site
      # cannot read. Private links have no session and no cookie to forge.
      class Forgery
        def initialize(app)
          @app = app
          @check = Rack::Protection::AuthenticityToken.new(app)
        end

        def call(env)
          return @app.call(env) if env["PATH_INFO"].start_with?("/api/sheet/") || @check.accepts?(env)

          Problem.new(403, Phrase["server.guards.this_page_has_been_open_for"], code: "csrf").to_rack
        end
      end

      # Who is not signed in gets no further than the door: the session, signing in and
      # out, and sheets behind their private link.
      class SignedIn
        OPEN = %r{\A/api/(?:session\z|login\z|logout\z|sheet/)}

        def initialize(app)
          @app = app
        end

        def call(env)
          path = env["PATH_INFO"]
          return @app.call(env) if !path.start_with?("/api/") || path.match?(OPEN) || env["rodauth"].session_value

          Problem.new(401, Phrase["server.guards.sign_in_first"], code: "sign_in").to_rack
        end
      end

      # Requests are checked against api/openapi.yaml before a route sees them.
      class Contract
        DEFINITION = OpenapiFirst.load(File.expand_path("../../api/openapi.yaml", __dir__))
        # What the sign-in library answers itself.
        DOOR = %w[/api/login /api/logout].freeze

        # @param door [Boolean] whether the door's own addresses are checked, or all
        #   others
        def initialize(app, door: false)
          @app = app
          @door = door
        end

        def call(env)
          return @app.call(env) unless env["PATH_INFO"].start_with?("/api/") && DOOR.include?(env["PATH_INFO"]) == @door

          checked = DEFINITION.validate_request(Rack::Request.new(env))
          return problem(checked.error).to_rack if checked.error

          env[OpenapiFirst::REQUEST] = checked
          @app.call(env)
        end

        private

        STATUS = {not_found: 404, method_not_allowed: 405, unsupported_media_type: 415}.freeze

        def problem(failure)
          first = failure.errors&.first
          field = first&.instance_location.to_s.delete_prefix("/")
          detail = first ? words(first, field) : WORDS.fetch(failure.type, Phrase["server.guards.the_request_could_not_be_read_2"])
          Problem.new(STATUS.fetch(failure.type, 400), "#{detail.to_s.delete_suffix(".")}.", code: failure.type.to_s, field: field.empty? ? nil : field)
        end

        WORDS = {
          not_found: Phrase["server.guards.there_is_nothing_at_this_address"], method_not_allowed: Phrase["server.guards.this_address_does_not_take_that"],
          unsupported_media_type: Phrase["server.guards.this_address_does_not_take_that_2"]
        }.freeze

        def words(error, field)
          missing = error.details&.fetch("missing_keys", nil)
          return Phrase["server.guards.must_be_given", fields: Phrase.list(missing, by: :comma)] if missing

          what = field.empty? ? Phrase["server.guards.the_request"] : Phrase["server.guards.quoted", field: field]
          Phrase["server.guards.does_not_fit", what: what, why: error.message.sub(/ at (root|`[^`]*`)/, "")]
        end
      end

      # Counts requests in an unlogged table, so that all processes share them.
      class Counts
        def initialize(store)
          @db = store.db
        end

        # @return [Integer] the count after adding
        def increment(key, amount, expires_in:)
          now = Sequel::CURRENT_TIMESTAMP
          expired = Sequel[:rate_counts][:expires_at] < now
          @db[:rate_counts].returning(:count).insert_conflict(
            target: :key,
            update: {count: Sequel.case({expired => amount}, Sequel[:rate_counts][:count] + amount),
                     expires_at: Sequel.case({expired => Sequel[:excluded][:expires_at]}, Sequel[:rate_counts][:expires_at])}
          ).insert(key: key, count: amount, expires_at: now + Sequel.lit("? * interval '1 second'", expires_in)).first[:count]
        end

        def read(key) = @db[:rate_counts].where(key: key).where(Sequel[:expires_at] > Sequel::CURRENT_TIMESTAMP).get(:count)

        def write(key, value, expires_in: 60) = increment(key, value, expires_in: expires_in)

        def delete(key) = @db[:rate_counts].where(key: key).delete
      end

      # Sign-ins and private links are limited by address.
      SIGN_INS = {limit: 20, period: 60}.freeze
      SHEETS = {limit: 300, period: 60}.freeze

      # @param store [Store]
      # @return [Class] Rack::Attack, set up
      def self.rates(store)
        Rack::Attack.cache.store = Counts.new(store)
        Rack::Attack.throttle("sign-in", **SIGN_INS) { |request| request.ip if request.path == "/api/login" }
        Rack::Attack.throttle("sheet", **SHEETS) { |request| request.ip if request.path.start_with?("/api/sheet/") }
        Rack::Attack.throttled_responder = lambda do |_request|
          Problem.new(429, Phrase["server.guards.that_was_too_often_wait_a"], code: "too_often").to_rack
        end
        Rack::Attack
      end
    end
  end
end
