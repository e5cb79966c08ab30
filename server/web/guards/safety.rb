# frozen_string_literal: true

module Stairwell
  module Server
    module Guards
      # No client gets a stack trace or a bare 500: what the guards or the
      # routes did not foresee is logged and answered in words.
      class Safety
        UNREADABLE = [
          Rack::QueryParser::InvalidParameterError,
          Rack::QueryParser::ParameterTypeError,
          Rack::Multipart::Error,
          EncodingError,
          URI::InvalidURIError
        ].freeze
        # The database is away, or too busy: it comes back by itself (PostgreSQL's error
        # classes 08, 57 and 55P03; Appendix A of its manual).
        AWAY = [
          Sequel::DatabaseConnectionError,
          Sequel::DatabaseDisconnectError,
          Sequel::PoolTimeout,
          Sequel::DatabaseLockTimeout,
          PG::ConnectionBad,
          PG::UnableToSend,
          PG::AdminShutdown,
          PG::CrashShutdown,
          PG::CannotConnectNow,
          PG::QueryCanceled,
          PG::LockNotAvailable,
          PG::IdleInTransactionSessionTimeout
        ].freeze
        FULL = [PG::DiskFull, Errno::ENOSPC].freeze

        # @param log [#puts]
        def initialize(app, log = $stderr)
          @app = app
          @log = log
        end

        def call(env)
          @app.call(env)
        rescue Problem => error
          error.to_rack
        rescue *UNREADABLE => error
          Problem.new(
            400,
            Phrase["server.guards.the_request_could_not_be_read", why: error.message.scrub],
            code: "unreadable"
          ).to_rack
        rescue StandardError => error
          answer(error).tap do |status, *|
            @log.puts(
              "#{env["REQUEST_METHOD"]} #{env["PATH_INFO"]}: #{(status == 500) ? error.full_message(highlight: false) : error.message.lines.first}"
            )
          end
        end

        private

        def answer(error)
          return later("database_away") if one_of?(AWAY, error)
          return later("disk_full") if one_of?(FULL, error)

          Problem.new(
            500,
            Phrase["server.guards.something_went_wrong_on_our_side"],
            code: "internal"
          ).to_rack
        end

        def later(code)
          status, headers, body =
            Problem.new(503, Phrase["server.guards.#{code}"], code: code).to_rack
          [status, headers.merge("retry-after" => Limits::RETRY_SECONDS.to_s), body]
        end

        # Sequel wraps what the driver says.
        def one_of?(kinds, error) =
          [error, error.cause].any? { |one| kinds.any? { |kind| one.is_a?(kind) } }
      end
    end
  end
end
