# frozen_string_literal: true

require "bcrypt"
require "digest"
require "json"
require "securerandom"
require "rack/session"
require "sinatra/base"
require "stairwell"

require_relative "limits"
require_relative "settings"
require_relative "store"
require_relative "problem"
require_relative "clock"
require_relative "tables"
require_relative "remembered"
require_relative "mailer"
require_relative "rights"
require_relative "door"
require_relative "openings"
require_relative "act"
require_relative "news"
require_relative "studio_context"
require_relative "studio_contexts"
Dir[File.join(__dir__, "{web,web/*,repositories,features,features/*,jobs}/*.rb")]
  .sort
  .each { |file| require file }

module Stairwell
  # The web server. A folder of features for each place a user goes, with its routes,
  # its actions and its JSON. An action reads rows in one short snapshot, asks the core
  # with no transaction open, and keeps what follows in another.
  module Server
    # The routes of the HTTP interface.
    class Api < Sinatra::Base
      set :show_exceptions, false
      set :raise_errors, true
      set :dump_errors, false
      set :protection, false # the guards before it do that work
      set :static, false
      disable :logging
      helpers Features::Helpers
      register Features::SessionRoutes,
               Features::PieceRoutes,
               Features::StudentRoutes,
               Features::LessonRoutes,
               Features::RoutineRoutes,
               Features::StudioRoutes,
               Features::PaperRoutes,
               Features::TimetableRoutes,
               Features::ClassRoutes,
               Features::SheetRoutes,
               Features::PeopleRoutes,
               Features::RecordRoutes

      error(Problem) { |problem| render_problem(problem) }
      error(Error) { |error| render_problem(Problem.of(error)) }
      not_found do
        render_problem(
          Problem.new(404, Phrase["server.app.there_is_nothing_at_this_address"], code: "not_found")
        )
      end
    end

    # @param settings [Settings]
    # @param more [Hash] keeper:, see {StudioContexts}
    # @return [#call] the whole Rack application
    def self.app(
      settings,
      store: Store.new(settings.app_url),
      clock: Clock.new(settings.fixed_now),
      news: News.new(settings.app_url),
      log: $stderr,
      **more
    )
      contexts =
        StudioContexts.new(store: store, clock: clock, settings: settings, news: news, **more)
      Jobs.prepare(contexts)
      Guards.trust(settings.proxies)
      api = Class.new(Api) { set :contexts, contexts }
      Rack::Builder
        .new do
          use Rack::Deflater, **Shrunk.options
          use Pages
          use Languages::Asked
          use Guards::Safety, log
          use Guards::Address
          use Guards.rates(store)
          use Guards::Size
          use Rack::Session::Cookie,
              key: "stairwell",
              secret: settings.session_secret,
              same_site: :lax,
              httponly: true,
              secure: settings.tls?
          use Guards::Forgery
          use Guards::Contract, door: true
          use Auth.middleware(store, settings)
          use Guards::SignedIn
          use Languages::OfStudio, contexts
          use Guards::Allowed
          use Guards::Contract
          run api
        end
        .to_app
    end
  end
end
