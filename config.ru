# frozen_string_literal: true

require_relative "server/app"

settings = Stairwell::Server::Settings.from_env
app = Stairwell::Server.app(settings)
if settings.jobs_here?
  crew = Stairwell::Server::Jobs.start
  at_exit { crew.stop }
end
run app
