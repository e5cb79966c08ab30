# frozen_string_literal: true

require "English"

# Keeps Stairwell's processes running: begins those that end again, though not without
# end, and ends them all when it is told to.
class Supervisor
  # A process: what it is called, and the command that runs until it is told to stop.
  Child = Struct.new(:name, :command, :env, :pid, :starts)
  # How often one may be begun in so many seconds before all is given up. Own choice.
  MOST_STARTS = 10
  WITHIN = 60
  # Seconds between two tries to start the database. Own choice.
  DATABASE_PAUSE = 2
  # Seconds after which what was told to stop is killed. Own choice.
  PATIENCE = 7

  # @param children [Array<Child>]
  # @param database [#call, nil] begins the database again where it has ended; gives
  #   whether it runs
  # @param out [#puts]
  def initialize(children, database: nil, out: $stdout)
    @children = children
    @database = database
    @out = out
    @stopping = false
    @database_tried = nil
  end

  # @return [Integer] the exit status: 0 when it was told to stop, 1 when it gave up
  def run
    %w[INT TERM HUP].each { |signal| trap(signal) { @stopping = true } }
    @children.each { |child| start(child) }
    watch until @stopping || @given_up
    stop
    @given_up ? 1 : 0
  end

  private

  def start(child)
    child.starts = (child.starts || []).select { |time| time > now - WITHIN } << now
    # What a child says to nobody in particular is not for the terminal; its errors are.
    child.pid = Process.spawn(child.env, *child.command, pgroup: true, out: File::NULL)
  end

  def watch
    sleep 0.25
    ended
    database
  end

  def ended
    while (pid = Process.wait(-1, Process::WNOHANG))
      child = @children.find { |one| one.pid == pid } or next
      child.pid = nil
      again(child) unless @stopping
    end
  rescue Errno::ECHILD
    nil
  end

  def again(child)
    return give_up(child.name) if child.starts.count { |time| time > now - WITHIN } >= MOST_STARTS

    say "#{child.name} ended; starting it again"
    start(child)
  end

  def database
    return if @database.nil? || @stopping || @database.call(:running?)

    # It may have to wait for what is mended by hand, such as a full disk, and loses nothing
    # by being asked again.
    return if @database_tried && @database_tried > now - DATABASE_PAUSE

    if @database_tried.nil? || @database_tried < now - WITHIN
      say "PostgreSQL ended; starting it again"
    end
    @database_tried = now
    @database.call(:start)
  end

  def give_up(name)
    say "#{name} ends again and again, so everything is stopped. Its log says why."
    @given_up = true
  end

  def stop
    running = @children.select(&:pid)
    running.each { |child| signal(:TERM, child) }
    deadline = now + PATIENCE
    while running.any? && now < deadline
      running.reject! { |child| gone?(child.pid) }
      sleep 0.05
    end
    running.each do |child|
      signal(:KILL, child)
      Process.wait(child.pid)
    end
  end

  def signal(name, child)
    Process.kill(name, (name == :KILL) ? -child.pid : child.pid)
  rescue Errno::ESRCH
    nil
  end

  def gone?(pid)
    !Process.wait(pid, Process::WNOHANG).nil?
  rescue Errno::ECHILD
    true
  end

  def say(text) = @out.puts("• #{text}")

  def now = Process.clock_gettime(Process::CLOCK_MONOTONIC)
end
