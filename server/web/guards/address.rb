# frozen_string_literal: true

module Stairwell
  module Server
    module Guards
      # An address that cannot be read is refused before anything is made of it, in words,
      # and so are forms, which no address takes.
      class Address
        def initialize(app)
          @app = app
        end

        def call(env)
          wrong = wrong(env["PATH_INFO"].to_s, env["QUERY_STRING"].to_s)
          if wrong
            return(
              Problem.new(400, "#{Phrase["server.guards.#{wrong}"]}.", code: "unreadable").to_rack
            )
          end
          if form?(env)
            return(
              Problem.new(
                415,
                "#{Phrase["server.guards.forms_are_not_taken"]}.",
                code: "unsupported_media_type"
              ).to_rack
            )
          end

          @app.call(env)
        end

        private

        def wrong(path, query)
          if path.bytesize > Limits::PATH_BYTES || query.bytesize > Limits::QUERY_BYTES
            return "address_too_long"
          end

          "address_unreadable" unless text?(path) && text?(query.tr("+", " ")) && query?(query)
        end

        def text?(said)
          plain = URI::DEFAULT_PARSER.unescape(said).force_encoding(Encoding::UTF_8)
          plain.valid_encoding? && !plain.include?("\0") && !said.match?(/%(?!\h\h)/)
        end

        def query?(query)
          Rack::Utils.parse_nested_query(query)
          true
        rescue Rack::QueryParser::ParameterTypeError,
               Rack::QueryParser::InvalidParameterError,
               Rack::QueryParser::ParamsTooDeepError,
               RangeError
          false
        end

        # What comes without a type counts as a form, as the standard has it.
        def form?(env)
          type = Rack::MediaType.type(env["CONTENT_TYPE"])
          if type
            type.match?(%r{\A(?:multipart/|application/x-www-form-urlencoded)}i)
          else
            env["CONTENT_LENGTH"].to_i.positive?
          end
        end
      end
    end
  end
end
