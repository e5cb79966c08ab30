# frozen_string_literal: true

module Stairwell
  module Server
    module Features
      # What every route does: who is it, what was sent, one action, JSON.
      module Helpers
        # @return [OpenapiFirst::RuntimeRequest] the request as the contract read it
        def checked = env[OpenapiFirst::REQUEST]

        # @return [Object] a parameter of the path
        def at(name) = checked.path_parameters[name]

        # @return [Integer] the id in the path
        def id = at("id")

        # @return [Hash{Symbol => Object}]
        def sent = deep_symbols(checked.body)

        # @return [StudioContext] of the person who is signed in, whom
        #   {Guards::SignedIn} has seen to
        def context = env.fetch(Languages::CONTEXT)

        # @param ending [String, nil] makes it a file to save
        # @return [String]
        def render_file(text, type, ending = nil)
          content_type type
          attachment("piece-#{id}.#{ending}") if ending
          text
        end

        # @return [String] JSON
        def render_json(value, status: 200) = render_text(JSON.generate(value), status: status)

        # @param json [String]
        # @return [String]
        def render_text(json, status: 200)
          self.status status
          content_type "application/json"
          json
        end

        # @param problem [Problem]
        # @return [String] problem+json
        def render_problem(problem)
          status problem.status
          content_type Problem::TYPE
          JSON.generate(problem.to_h)
        end

        private

        def deep_symbols(value)
          case value
          when Hash
            value.to_h { |key, one| [key.to_sym, deep_symbols(one)] }
          when Array
            value.map { |one| deep_symbols(one) }
          else
            value
          end
        end
      end
    end
  end
end
