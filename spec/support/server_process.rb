# frozen_string_literal: true

require "net/http"
require "socket"

# The app as its own process on a free port, as bin/start runs it.
class ServerProcess
  ROOT = File.expand_path("../..", __dir__)

  attr_reader :address, :pid

  # @param env [Hash{String => String}] beside the test's own
  # @return [ServerProcess] ready to answer
  # @param port [Integer, nil] a free one without
  def self.start(env = {}, port: nil) = new(env, port).tap(&:wait)

  def initialize(env, port = nil)
    port ||= TCPServer.open("127.0.0.1", 0) { |server| server.addr[1] }
    @address = "http://127.0.0.1:#{port}"
    @pid =
      Process.spawn(
        env,
        "bundle",
        "exec",
        "puma",
        "--quiet",
        "--environment",
        "production",
        "--threads",
        "1:5",
        "--bind",
        "tcp://127.0.0.1:#{port}",
        "config.ru",
        chdir: ROOT,
        out: File::NULL,
        err: File::NULL
      )
  end

  def wait
    deadline = Time.now + 30
    begin
      Net::HTTP.get_response(URI("#{address}/health"))
    rescue SystemCallError
      raise "the server did not start" if Time.now > deadline

      sleep 0.1
      retry
    end
  end

  # @return [Array<Integer>] processes it has begun
  def children =
    Dir["/proc/#{@pid}/task/*/children"].flat_map { |file| File.read(file).split.map(&:to_i) }

  # As a power cut would.
  def kill
    Process.kill("KILL", @pid)
    Process.wait(@pid)
  end
end
