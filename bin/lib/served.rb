# frozen_string_literal: true

require "json"
require "net/http"
require "socket"

# The server as bin/start runs it, for bin/load and bin/bench: some web processes, and one that
# works on jobs.
class Served
  ROOT = File.expand_path("../..", __dir__)

  # A student's sheet: its address, and whose it is.
  Sheet = Struct.new(:path, :studio_id, :student_id)

  # @param settings [Stairwell::Server::Settings]
  # @param web [Integer] processes
  # @param jobs [Boolean] whether somebody works on jobs
  def initialize(settings, web:, jobs: true)
    @settings = settings
    @web = web
    @jobs = jobs
  end

  # @yieldparam server [Served]
  # @return [Object] what the block gives
  def run
    @port = TCPServer.open("127.0.0.1", 0) { |server| server.addr[1] }
    env = {
      "STAIRWELL_WEB" => @web.to_s,
      "STAIRWELL_APP_URL" => @settings.app_url,
      "STAIRWELL_JOBS" => "elsewhere",
      "DATABASE_URL" => nil
    }
    @pids = [
      Process.spawn(
        env,
        "bundle",
        "exec",
        "puma",
        "--quiet",
        "-C",
        "config/puma.rb",
        "--bind",
        "tcp://127.0.0.1:#{@port}",
        "config.ru",
        chdir: ROOT,
        out: File::NULL
      )
    ]
    if @jobs
      @pids << Process.spawn(
        env,
        "bundle",
        "exec",
        "ruby",
        "bin/lib/worker.rb",
        chdir: ROOT,
        out: File::NULL
      )
    end
    sleep 0.2 until up?
    yield self
  ensure
    @pids.to_a.each { |pid| Process.kill(:TERM, pid) && Process.wait(pid) }
  end

  # Each from a place of its own, so that none is told to wait.
  # @yieldparam http [Net::HTTP]
  def connected(&)
    http = Net::HTTP.new("127.0.0.1", @port)
    http.local_host = "127.#{Array.new(3) { rand(1..250) }.join(".")}"
    http.read_timeout = 60
    http.start(&)
  end

  # @param studio [Integer] one of those {ManyStudios} made
  # @return [Hash{String=>String}] headers of its owner
  def sign_in(studio)
    address = "#{"#{studio}." if studio > 1}#{Demo::People::TEACHERS.first[:email]}"
    connected do |http|
      cookie = nil
      ask =
        lambda do |request|
          request["Cookie"] = cookie if cookie
          http
            .request(request)
            .tap do |answer|
              cookie =
                answer
                  .get_fields("set-cookie")
                  .to_a
                  .filter_map { |line| line[/\Astairwell=[^;]*/] }
                  .last || cookie
            end
        end
      token = -> { JSON.parse(ask.call(Net::HTTP::Get.new("/api/session")).body)["csrf"] }
      login =
        Net::HTTP::Post.new(
          "/api/login",
          { "Content-Type" => "application/json", "X-CSRF-Token" => token.call }
        )
      login.body = JSON.generate({ email: address, password: Demo::People::PASSWORD })
      answer = ask.call(login)
      raise "#{answer.code} #{answer.body}" unless answer.is_a?(Net::HTTPSuccess)

      { "X-CSRF-Token" => token.call, "Cookie" => cookie }
    end
  end

  # @param count [Integer]
  # @return [Array<Sheet>] of as many students, from here and there among all studios
  def sheets(count)
    Sequel.connect(@settings.owner_url) do |db|
      db[:sheet_links]
        .where(withdrawn_at: nil)
        .order(Sequel.lit("md5(id || '/' || studio_id)"))
        .limit(count)
        .all
        .map do |link|
          Sheet.new("/api/sheet/#{token(db, link)}", *link.values_at(:studio_id, :student_id))
        end
    end
  end

  # @return [String] of a link
  def token(db, link) =
    db.transaction do
      db.get(Sequel.function(:enter_any_studio, link[:studio_id]))
      db.get(Sequel.function(:link_token, "sheet", link[:id], link[:nonce]))
    end

  # Waits until whoever works on jobs has none.
  # @return [void]
  def jobs_done
    Sequel.connect(@settings.owner_url) do |db|
      while db[:que_jobs].where(finished_at: nil).where { run_at <= Sequel::CURRENT_TIMESTAMP }.any?
        sleep 0.5
      end
    end
  end

  # @return [Integer] of all its processes together
  def megabytes
    mine =
      @pids.flat_map do |pid|
        [
          pid,
          *Dir["/proc/#{pid}/task/*/children"].flat_map { |file| File.read(file).split.map(&:to_i) }
        ]
      end
    mine.sum { |pid| File.read("/proc/#{pid}/status")[/^VmRSS:\s+(\d+)/, 1].to_i } / 1024
  end

  private

  def up?
    Net::HTTP.get_response(URI("http://127.0.0.1:#{@port}/health")).is_a?(Net::HTTPOK)
  rescue SystemCallError, IOError
    false
  end
end
