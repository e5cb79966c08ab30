# frozen_string_literal: true

module Stairwell
  module Server
    module Guards
      # What was sent as JSON is counted and measured before the contract looks at it, so
      # that the contract's patterns and lists only ever run over something small.
      module Body
        # Numbers that a browser keeps exactly.
        LARGEST = 2**53

        module_function

        # @param env [Hash] of Rack
        # @return [Problem, nil] 400
        def wrong(env)
          return unless Rack::MediaType.type(env["CONTENT_TYPE"]).to_s.match?(/json\z/i)

          text = env["rack.input"]&.read.to_s
          env["rack.input"]&.rewind
          odd = Look.new.odd(JSON.parse(text, max_nesting: Limits::NESTED)) unless text.empty?
          Problem.new(400, "#{odd}.", code: "unreadable") if odd
        rescue JSON::ParserError, EncodingError => error
          Problem.new(
            400,
            Phrase[
              "server.guards.the_request_could_not_be_read",
              why: error.message.lines.first.to_s[0, 100].scrub.strip
            ],
            code: "invalid_body"
          )
        end

        # One look over all values.
        class Look
          def initialize
            @left = Limits::VALUES
          end

          # @param value [Object] of JSON
          # @return [Phrase, nil] why it cannot be meant
          def odd(value)
            return Phrase["server.guards.too_many_values"] if (@left -= 1).negative?

            case value
            when Hash
              any(value.keys) || any(value.values)
            when Array
              any(value)
            when String
              unless value.valid_encoding? && value.size <= Limits::LETTERS && !value.include?("\0")
                not_meant("#{value[0, 12]}…")
              end
            when Integer
              not_meant("#{value.to_s[0, 12]}…") if value.abs > LARGEST
            when Float
              not_meant(value) unless value.finite? && value.abs <= LARGEST
            end
          end

          private

          def any(all)
            all.each { |one| odd(one)&.then { |found| return found } }
            nil
          end

          def not_meant(value) = Phrase["server.guards.not_a_value", value: value.to_s.scrub]
        end
        private_constant :Look
      end
    end
  end
end
