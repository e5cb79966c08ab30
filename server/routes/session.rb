# frozen_string_literal: true

module Stairwell
  module Server
    module Routes
      # Who is signed in, and whether the server is well.
      module Session
        def self.registered(app)
          app.get "/health" do
            settings.desks.store.db.get(1)
            render_json({ok: true})
          end

          app.get "/api/session" do
            account_id = env["rodauth"].session_value
            account = account_id && settings.desks.store.db[:accounts].first(id: account_id)
            studio = account && settings.desks.for_account(account_id) { |desk| {name: desk.studio[:name], today: desk.today.to_s} }
            render_json({
              csrf: Rack::Protection::AuthenticityToken.token(env["rack.session"]),
              account: account && {name: account[:name], email: account[:email]}, studio: studio
            })
          end
        end
      end
    end
  end
end
