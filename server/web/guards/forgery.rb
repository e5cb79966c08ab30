# frozen_string_literal: true

module Stairwell
  module Server
    module Guards
      # A changing request must carry the session's token, which another site
      # cannot read. Private links have no session and no cookie to forge.
      class Forgery
        # The token comes in the header: nothing else of the request is looked at.
        HEADER_ONLY = { "rack.input" => StringIO.new.freeze, "QUERY_STRING" => "" }.freeze

        def initialize(app)
          @app = app
          @check = Rack::Protection::AuthenticityToken.new(app)
        end

        def call(env)
          if env["PATH_INFO"].start_with?("/api/sheet/") || @check.accepts?(env.merge(HEADER_ONLY))
            return @app.call(env)
          end

          Problem.new(
            403,
            Phrase["server.guards.this_page_has_been_open_for"],
            code: "csrf"
          ).to_rack
        end
      end
    end
  end
end
