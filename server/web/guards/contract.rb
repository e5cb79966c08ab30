# frozen_string_literal: true

module Stairwell
  module Server
    module Guards
      # Requests are checked against api/openapi.yaml before a route sees them.
      class Contract
        # A pattern means what JSON Schema says (ECMA-262): ^ and $ are the ends of the text.
        JSONSchemer.configuration.regexp_resolver = "ecma"
        # Nobody reads more than the first of what does not fit.
        OpenapiFirst::Schema::ValidationResult.prepend(
          Module.new do
            def errors =
              @errors ||=
                @validation.first(1).map { |one| OpenapiFirst::Schema::ValidationError.new(one) }
          end
        )
        # Schemas are taken apart once, and not for each request anew.
        OpenapiFirst::Definition::PathItem.prepend(
          Module.new { def operation(method) = (@made ||= {})[method] ||= super }
        )
        OpenapiFirst::Definition.prepend(
          Module.new do
            private def find_path_item_and_params(path) =
              (@by_path ||= path_items.to_h { |one| [one.path, one] })[path]&.then do |exact|
                [exact, {}]
              end || super
          end
        )
        # What comes without its kind, or with none that can be read, may be anything (RFC 9110,
        # 8.3).
        OpenapiFirst::Definition::RequestBody.prepend(
          Module.new do
            def schema_for(content_type) =
              super(
                content_type
                  .to_s
                  .split(";")
                  .first
                  .to_s
                  .strip
                  .downcase
                  .then { |type| type.empty? ? "application/octet-stream" : type }
              )
          end
        )
        DEFINITION = OpenapiFirst.load(File.expand_path("../../../api/openapi.yaml", __dir__))
        # What the sign-in library answers itself.
        DOOR = Auth::ROUTES.values.map { |path| "/api/#{path}" }.freeze

        # @param door [Boolean] whether the door's own addresses are checked, or all
        #   others
        def initialize(app, door: false)
          @app = app
          @door = door
        end

        def call(env)
          unless env["PATH_INFO"].start_with?("/api/") && DOOR.include?(env["PATH_INFO"]) == @door
            return @app.call(env)
          end

          wrong = Body.wrong(env)
          return wrong.to_rack if wrong

          checked = DEFINITION.validate_request(Rack::Request.new(env))
          return refuse(env, checked.error).to_rack if checked.error

          env[OpenapiFirst::REQUEST] = checked
          @app.call(env)
        end

        private

        # A link that is not even one is answered like any other that opens nothing.
        def refuse(env, failure)
          if failure.type == :invalid_path && env["PATH_INFO"].start_with?("/api/sheet/")
            Repositories::SheetLinks.unknown
          else
            problem(failure)
          end
        end

        STATUS = { not_found: 404, method_not_allowed: 405, unsupported_media_type: 415 }.freeze

        def problem(failure)
          first = failure.errors&.first
          field = first&.instance_location.to_s.delete_prefix("/")
          detail =
            (
              if first
                words(first, field)
              else
                WORDS.fetch(failure.type, Phrase["server.guards.the_request_could_not_be_read_2"])
              end
            )
          Problem.new(
            STATUS.fetch(failure.type, 400),
            "#{detail.to_s.delete_suffix(".")}.",
            code: failure.type.to_s,
            field: field.empty? ? nil : field
          )
        end

        WORDS = {
          not_found: Phrase["server.guards.there_is_nothing_at_this_address"],
          method_not_allowed: Phrase["server.guards.this_address_does_not_take_that"],
          unsupported_media_type: Phrase["server.guards.this_address_does_not_take_that_2"]
        }.freeze

        def words(error, field)
          missing = error.details&.fetch("missing_keys", nil)
          if missing
            return Phrase["server.guards.must_be_given", fields: Phrase.list(missing, by: :comma)]
          end

          what =
            (
              if field.empty?
                Phrase["server.guards.the_request"]
              else
                Phrase["server.guards.quoted", field: field]
              end
            )
          Phrase[
            "server.guards.does_not_fit",
            what: what,
            why: error.message.sub(/ at (root|`[^`]*`)/, "")
          ]
        end
      end
    end
  end
end
