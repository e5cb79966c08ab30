# frozen_string_literal: true

# How the web server runs: as many processes as STAIRWELL_WEB says (bin/start --web), each
# with a few threads; without it one process, as tests and development have it.
processes = Integer(ENV.fetch("STAIRWELL_WEB", "0"))
workers processes
threads 1, 5
environment "production"
# A request that computes still is given up a moment after the server is told to stop.
force_shutdown_after 4
# Bytes of a request's body, before anything of the app sees it: an archive and some more.
http_content_length_limit 121 * 1024 * 1024
if processes.positive?
  preload_app!
  silence_single_worker_warning
  # Each process has connections of its own.
  before_fork { Sequel::DATABASES.each(&:disconnect) }
end
