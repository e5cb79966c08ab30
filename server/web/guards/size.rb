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
          limit = limit(env["PATH_INFO"])
          return @app.call(env) if env["CONTENT_LENGTH"].to_i <= limit

          Problem.new(
            413,
            Phrase[
              "server.guards.that_is_more_than_mb_send",
              megabytes: Phrase.number(Rational(limit, 1024 * 1024).round(2))
            ],
            code: "too_large"
          ).to_rack
        end

        private

        def limit(path)
          case path
          when "/api/pieces/score", "/api/pieces/parcel"
            Constants::MOST_SCORE_BYTES
          when "/api/studio/archive"
            Limits::ARCHIVE_BYTES
          when SignedIn::OPEN
            Limits::OPEN_BYTES
          else
            Limits::JSON_BYTES
          end
        end
      end
    end
  end
end
