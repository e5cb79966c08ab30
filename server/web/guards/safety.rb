# frozen_string_literal: true

module Stairwell
  module Server
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
    end
  end
end
