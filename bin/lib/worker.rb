# frozen_string_literal: true

# Works on jobs in a process of its own, until it is told to stop.

$LOAD_PATH.unshift(File.expand_path("../..", __dir__))
require "server/app"

# Whoever waits for an answer comes first.
Process.setpriority(Process::PRIO_PROCESS, 0, 10)
settings = Stairwell::Server::Settings.from_env
keeper = Stairwell::Server::Store.new(settings.keeper_url)
news = Stairwell::Server::News.new(settings.app_url)
Stairwell::Server::Jobs.prepare(
  Stairwell::Server::StudioContexts.new(
    store: keeper,
    keeper: keeper,
    clock: Stairwell::Server::Clock.new(settings.fixed_now),
    settings: settings,
    news: news
  )
)
stop = Queue.new
%w[INT TERM].each { |signal| trap(signal) { stop << signal } }
crew = Stairwell::Server::Jobs.start
puts "• Working on jobs (Ctrl-C stops)"
stop.pop
crew.stop
