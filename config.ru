# frozen_string_literal: true

require_relative "server/app"

run Stairwell::Server.app(Stairwell::Server::Settings.from_env)
