# frozen_string_literal: true

module Stairwell
  module Server
    # Whether the client still waits for its answer: what took long to compute is kept only
    # for someone who will see it.
    class Waiting
      # @param env [Hash] of Rack; the connection is there with the web server Puma
      def initialize(env)
        @socket = env["puma.socket"]
      end

      # @return [void]
      # @raise [Problem] when the client has gone; nobody reads it
      def check!
        if gone?
          raise Problem.new(408, Phrase["server.waiting.client_has_gone"], code: "client_gone")
        end
      end

      private

      # A closed connection is readable, and holds nothing.
      def gone?
        return false unless @socket&.to_io&.wait_readable(0)

        @socket.to_io.recv_nonblock(1, Socket::MSG_PEEK).to_s.empty?
      rescue IO::WaitReadable
        false
      rescue SystemCallError, IOError
        true
      end
    end
  end
end
