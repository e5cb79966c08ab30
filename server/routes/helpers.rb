# frozen_string_literal: true

module Stairwell
  module Server
    module Routes
      # What every route does: parse, authorise, call one service, render.
      module Helpers
        # @return [OpenapiFirst::RuntimeRequest] the request as the contract read it
        def checked = env[OpenapiFirst::REQUEST]

        # @return [Integer] the id in the path
        def id = checked.path_parameters["id"]

        # @return [String] the key of the routine in the path
        def routine_key = checked.path_parameters["key"]

        # @return [Hash{Symbol => Object}]
        def sent = deep_symbols(checked.body)

        # @yieldparam desk [Desk] of the person who is signed in
        # @raise [Problem] 401
        def at_desk(&)
          account = env["rodauth"].session_value
          raise Problem.new(401, "Sign in first.", code: "sign_in") unless account

          settings.desks.for_account(account, &)
        end

        # @param whose [String, nil] for whom the piece in the path is shown
        # @yieldparam bench [Services::Workbench]
        def at_bench(whose = checked.query["for"])
          at_desk { |desk| yield Services::Workbench.new(desk, id, whose) }
        end

        # @param ending [String, nil] makes it a file to save
        # @return [String]
        def render_file(text, type, ending = nil)
          content_type type
          attachment("piece-#{id}.#{ending}") if ending
          text
        end

        # @return [String] JSON
        def render_json(value, status: 200)
          self.status status
          content_type "application/json"
          JSON.generate(value)
        end

        private

        def deep_symbols(value)
          case value
          when Hash then value.to_h { |key, one| [key.to_sym, deep_symbols(one)] }
          when Array then value.map { |one| deep_symbols(one) }
          else value
          end
        end
      end
    end
  end
end
