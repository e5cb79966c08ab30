# frozen_string_literal: true

module Stairwell
  module Server
    module Guards
      # Who is not signed in gets no further than the door: the session, signing in and
      # out, and sheets behind their private link.
      class SignedIn
        OPEN =
          %r{\A/api/(?:session\z|login\z|logout\z|forgotten\z|open\z|join\z|invitations/|sheet/|calendars/)}

        def initialize(app)
          @app = app
        end

        def call(env)
          path = env["PATH_INFO"]
          if !path.start_with?("/api/") || path.match?(OPEN) || env["rodauth"].session_value
            return @app.call(env)
          end

          Problem.new(401, Phrase["server.guards.sign_in_first"], code: "sign_in").to_rack
        end
      end
    end
  end
end
