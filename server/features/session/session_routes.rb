# frozen_string_literal: true

module Stairwell
  module Server
    module Features
      # Who is signed in, and whether the server is well.
      module SessionRoutes
        def self.registered(app)
          app.get "/health" do
            settings.contexts.store.db.get(1)
            render_json({ ok: true })
          end

          app.get "/api/session" do
            account_id = env["rodauth"].session_value
            store = settings.contexts.store
            account = account_id && store.db[:accounts].first(id: account_id)
            where = account && env[Languages::CONTEXT]
            render_json(
              {
                csrf: Rack::Protection::AuthenticityToken.token(env["rack.session"]),
                account: account && account.slice(:name, :email),
                studio:
                  where &&
                    {
                      id: where.studio_id,
                      name: where.studio[:name],
                      today: where.today.to_s,
                      locale: where.locale.to_s,
                      role: where.role,
                      may: Rights.of(where.role)
                    },
                studios:
                  (
                    if account
                      store.studios_of(env["rodauth"].door).map { |row| row.slice(:id, :name) }
                    else
                      []
                    end
                  ),
                locale: Locales.current.to_s,
                languages: Languages.all,
                mail: !settings.contexts.settings.smtp.nil?,
                empty: account.nil? && store.db[:accounts].empty?
              }
            )
          end

          # Of several studios a person belongs to, the one to work in from now on.
          app.put "/api/session/studio" do
            found =
              settings
                .contexts
                .store
                .studios_of(env["rodauth"].door)
                .find { |row| row[:id] == sent[:id] }
            unless found
              raise Problem.new(404, Phrase["server.people.no_such_studio"], code: "no_studio")
            end

            env["rack.session"]["studio"] = found[:id]
            render_json({ success: found[:name] })
          end

          # Whoever asks is answered alike, and at once: what follows is a job's.
          app.post "/api/forgotten" do
            unless settings.contexts.settings.smtp
              raise Problem.new(422, Phrase["server.session.no_mail"], code: "no_mail")
            end

            Jobs::SendAccountMail.enqueue("forgotten", sent[:email].strip.downcase)
            render_json({ success: Phrase["server.auth.link_sent"] }, status: 202)
          end

          app.get "/api/sign-ins" do
            rows =
              settings.contexts.store.db[:account_authentication_audit_logs]
                .where(account_id: context.account_id)
                .order(Sequel.desc(:id))
                .limit(Limits::SIGN_INS_SHOWN)
            render_json(
              rows.map do |row|
                {
                  at: row[:at].utc.iso8601,
                  what: row[:message],
                  from: row[:metadata]&.fetch("from", nil)
                }
              end
            )
          end
        end
      end
    end
  end
end
