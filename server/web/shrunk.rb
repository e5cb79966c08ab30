# frozen_string_literal: true

module Stairwell
  module Server
    # Which answers are shrunk on the way to the browser: a phone in the next room
    # has little of the house's network.
    module Shrunk
      TYPES = %w[
        application/json
        text/html
        text/css
        text/javascript
        application/javascript
        application/vnd.recordare.musicxml+xml
      ].freeze
      # Here a secret stands in the answer; how far that shrinks would tell of it.
      SECRET = %w[/api/session /api/login].freeze

      # @return [Hash] for Rack::Deflater
      def self.options =
        { include: TYPES, if: ->(env, *) { !env["PATH_INFO"].start_with?(*SECRET) } }
    end
  end
end
