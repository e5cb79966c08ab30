# frozen_string_literal: true

require "roda"

module Stairwell
  module Server
    # Signing in and out, by Rodauth, with sessions that lie in the database. Answers
    # /api/login and /api/logout, and puts itself into the environment for everything
    # behind it.
    module Auth
      # @param store [Store]
      # @param settings [Settings]
      # @return [Class] a Roda application to be used as Rack middleware
      def self.middleware(store, settings)
        Class.new(Roda) do
          plugin :middleware, next_if_not_found: true
          plugin :cookies
          plugin :json_parser, content_type_regexp: %r{\Aapplication/json\b}i
          plugin :rodauth, json: :only do
            enable :json, :login, :logout, :active_sessions
            db store.db
            prefix "/api"
            hmac_secret settings.session_secret[0, 64]
            login_param "email"
            normalize_login { |login| login.strip.downcase }
            password_hash_table :account_password_hashes
            global_logout_param "everywhere"
            skip_status_checks? false # an account that is closed is none
            already_logged_in {} # signing in again is fine
            # Whatever is wrong, it is said the same way.
            %i[no_matching_login_message invalid_password_message].each { |name| public_send(name) { Phrase["server.auth.email_and_password_do_not_fit"].to_s } }
            login_notice_flash { Phrase["server.auth.signed_in"].to_s }
            logout_notice_flash { Phrase["server.auth.signed_out"].to_s }
            after_login_failure { attempts.failed }
            after_login { remember_device }
            auth_class_eval { include Auth::Methods }
          end

          route do |r|
            env["rodauth"] = rodauth
            rodauth.sign_out_if_ended
            r.on("api") do
              rodauth.refuse_too_many if r.post? && r.path == "/api/login"
              r.rodauth
              nil
            end
          end
        end
      end

      # What is our own in how a person signs in.
      module Methods
        # A session that was ended elsewhere, or by age, is none. The cookie of one that is
        # remembered outlives the browser.
        # @return [void]
        def sign_out_if_ended
          return unless logged_in?
          return clear_session unless currently_active_session?

          request.env["rack.session.options"][:expire_after] = Limits::REMEMBERED[:age] if session["remembered"]
        end

        # @return [Boolean] whether the session is one in the database, of an open account
        def currently_active_session?
          return false unless (id = session[session_id_session_key])

          mine = active_sessions_ds.where(session_id: compute_hmacs(id))
          found = mine.exclude(inactive_session_cond).where(account_id: db[:accounts].where(status_id: account_open_status_value).select(:id)).get(:last_use)
          return false unless found

          # Once a minute is enough to tell how long it rested.
          mine.update(active_sessions_update_hash) if found < Time.now - 60
          true
        end

        # @return [void]
        # @raise [Problem] 403
        def refuse_too_many
          raise Problem.new(403, Phrase["server.auth.too_many_attempts_failed_so_this", count: Limits::LOCKED_MINUTES], code: "locked") if attempts.too_many?
        end

        # An address that nobody has takes as long as one with a wrong password.
        def account_from_login(login)
          super.tap do |found|
            next if found

            BCrypt::Engine.hash_secret(param(password_param), BCrypt::Engine.generate_salt(Auth.cost))
            attempts.failed
          end
        end

        private

        def attempts
          @attempts ||= Attempts.new(db, hmac_secret, email: param_or_nil(login_param), device: request.cookies[Attempts::COOKIE])
        end

        def remember_device
          remembered = param_or_nil("remember") == "true"
          session["remembered"] = true if remembered
          active_sessions_ds.where(session_id: compute_hmacs(session[session_id_session_key])).update(remembered: remembered)
          request.env["rack.session.options"][:expire_after] = Limits::REMEMBERED[:age] if remembered
          response.set_cookie(Attempts::COOKIE, value: attempts.know(account_id), path: "/api/login", httponly: true, same_site: :lax, secure: request.ssl?, max_age: Limits::DEVICE_SECONDS)
        end

        # Those that rest or are old; who asked to stay signed in may rest longer.
        def inactive_session_cond
          [Limits::SIGNED_IN, Limits::REMEMBERED].zip([false, true]).map { |most, remembered|
            ended = {last_use: most[:rest], created_at: most[:age]}.map { |column, seconds| Sequel[column] < Sequel.date_sub(Sequel::CURRENT_TIMESTAMP, seconds: seconds) }
            Sequel.&({remembered: remembered}, Sequel.|(*ended))
          }.reduce { |one, other| Sequel.|(one, other) }
        end

        def _json_response_body(hash) = Auth.body(hash, response)
      end

      # Rodauth's errors as problem+json.
      def self.body(hash, response)
        return JSON.generate(hash) unless hash["error"]

        response["content-type"] = Problem::TYPE
        _, why = hash["field-error"]
        JSON.generate(Problem.new(response.status, "#{(why || hash["error"]).capitalize.delete_suffix(".")}.", code: "sign_in").to_h)
      end

      # Adds a person who can sign in.
      # @return [Integer] the account's id
      def self.add_account(db, email:, name:, password:)
        db[:accounts].insert(email: email.downcase, name: name).tap do |id|
          db[:account_password_hashes].insert(id: id, password_hash: BCrypt::Password.create(password, cost: cost))
        end
      end

      # Cheap in tests, where hundreds of sign-ins prove nothing about bcrypt.
      def self.cost = (ENV["RACK_ENV"] == "test") ? BCrypt::Engine::MIN_COST : BCrypt::Engine::DEFAULT_COST
    end
  end
end
