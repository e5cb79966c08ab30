# frozen_string_literal: true

# Works on jobs in a process of its own, until it is told to stop.

$LOAD_PATH.unshift(File.expand_path("../..", __dir__))
require "server/app"

# Whoever waits for an answer comes first.
Process.setpriority(Process::PRIO_PROCESS, 0, 10)
settings = Stairwell::Server::Settings.from_env
store = Stairwell::Server::Store.new(settings.app_url)
news = Stairwell::Server::News.new(settings.app_url)
Stairwell::Server::Jobs.prepare(
  Stairwell::Server::StudioContexts.new(
    store: store,
    clock: Stairwell::Server::Clock.new(settings.fixed_now),
    settings: settings,
    news: news
  )
)
stop = Queue.new
%w[INT TERM].each { |signal| trap(signal) { stop << signal } }
# A database that is away is waited for here: ended and begun again and again, the worker
# would be given up, and everything with it.
sleep 0.5 until stop.size.positive? || PG::Connection.ping(settings.queue_url) == PG::PQPING_OK
exit if stop.size.positive?
locker = Stairwell::Server::Jobs.start
puts "• Working on jobs (Ctrl-C stops)"
# Whatever ends it from inside, such as a database that went, ends the process: who looks
# after it starts another.
Thread.new do
  locker.wait_for_stop
  stop << :lost
end
lost = stop.pop == :lost
locker.stop!
exit 1 if lost
