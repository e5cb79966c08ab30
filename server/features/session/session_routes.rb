# frozen_string_literal: true

module Stairwell
  module Server
    module Features
      # Who is signed in, and whether the server is well.
      module SessionRoutes
        def self.registered(app)
          app.get "/health" do
            settings.contexts.store.db.get(1)
            render_json({ok: true})
          end

          app.get "/api/session" do
            account_id = env["rodauth"].session_value
            account = account_id && settings.contexts.store.db[:accounts].first(id: account_id)
            where = account && context
            render_json({
              csrf: Rack::Protection::AuthenticityToken.token(env["rack.session"]), account: account && account.slice(:name, :email),
              studio: where && {name: where.studio[:name], today: where.today.to_s, locale: where.locale.to_s}, locale: Locales.current.to_s, languages: Languages.all
            })
          end
        end
      end
    end
  end
end
