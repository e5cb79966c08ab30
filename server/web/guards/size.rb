# frozen_string_literal: true

module Stairwell
  module Server
    module Guards
      # Bodies larger than anything the app takes are refused unread.
      class Size
        def initialize(app)
          @app = app
        end

        def call(env)
          limit = (env["PATH_INFO"] == "/api/pieces/score") ? Constants::MOST_SCORE_BYTES : Limits::JSON_BYTES
          return @app.call(env) if env["CONTENT_LENGTH"].to_i <= limit

          Problem.new(413, Phrase["server.guards.that_is_more_than_mb_send", megabytes: limit / 1024 / 1024], code: "too_large").to_rack
        end
      end
    end
  end
end
