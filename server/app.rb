# frozen_string_literal: true

require "bcrypt"
require "digest"
require "json"
require "securerandom"
require "rack/session"
require "sinatra/base"
require "stairwell"

require_relative "settings"
require_relative "store"
require_relative "problem"
require_relative "clock"
require_relative "desk"
Dir[File.join(__dir__, "{web,models,views,services,jobs,routes}/*.rb")].sort.each { |file| require file }

module Stairwell
  # The web server: routes parse, authorise, call one service and render;
  # services load rows, make values, ask the core, and store rows.
  module Server
    # The routes of the HTTP interface.
    class Api < Sinatra::Base
      set :show_exceptions, false
      set :raise_errors, true
      set :dump_errors, false
      set :protection, false # the guards before it do that work
      set :static, false
      disable :logging
      helpers Routes::Helpers
      register Routes::Session, Routes::Pieces, Routes::Students, Routes::Lessons, Routes::Routines, Routes::Studio, Routes::Papers, Routes::Sheet

      error(Problem) { |problem| answer(problem) }
      error(UnreadableError) { |error| answer(Problem.new(422, error.message, code: error.code.to_s)) }
      not_found { answer(Problem.new(404, "There is nothing at this address.", code: "not_found")) }

      helpers do
        def answer(problem)
          status problem.status
          content_type Problem::TYPE
          JSON.generate(problem.to_h)
        end
      end
    end

    # @param settings [Settings]
    # @return [#call] the whole Rack application
    def self.app(settings, store: Store.new(settings.app_url), clock: Clock.new(settings.fixed_now), log: $stderr)
      desks = Desks.new(store: store, clock: clock, settings: settings)
      Jobs.prepare(desks)
      api = Class.new(Api) { set :desks, desks }
      Rack::Builder.new {
        use Rack::Deflater, **Shrunk.options
        use Pages
        use Guards::Safety, log
        use Guards.rates(store)
        use Guards::Size
        use Rack::Session::Cookie, key: "stairwell", secret: settings.session_secret, same_site: :lax, httponly: true,
          secure: settings.tls?
        use Guards::Forgery
        use Guards::Contract
        use Auth.middleware(store, settings)
        run api
      }.to_app
    end
  end
end
