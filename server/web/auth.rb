# frozen_string_literal: true

require "roda"

module Stairwell
  module Server
    # Signing in and out, by Rodauth: password, remember, and a lockout after
    # repeated failures. Answers /api/login and /api/logout, and puts itself
    # into the environment for everything behind it.
    module Auth
      # @param store [Store]
      # @param settings [Settings]
      # @return [Class] a Roda application to be used as Rack middleware
      def self.middleware(store, settings)
        Class.new(Roda) do
          plugin :middleware, next_if_not_found: true
          plugin :json_parser, content_type_regexp: %r{\Aapplication/json\b}i
          plugin :rodauth, json: :only do
            enable :json, :login, :logout, :remember, :lockout
            db store.db
            prefix "/api"
            hmac_secret settings.session_secret[0, 64]
            login_param "email"
            normalize_login { |login| login.strip.downcase }
            use_database_authentication_functions? false
            password_hash_table :account_password_hashes
            max_invalid_logins Limits::MOST_FAILURES
            set_deadline_values? true
            account_lockouts_deadline_interval(minutes: Limits::LOCKED_MINUTES)
            require_mail? false
            domain "localhost" # only addresses in mails use it, and there are none
            already_logged_in {} # signing in again is fine
            unlock_account_request_route nil
            unlock_account_route nil
            remember_route nil
            extend_remember_deadline? true
            remember_cookie_options(path: "/", httponly: true, same_site: :lax)
            # Email about a lockout waits for the outbox; the deadline opens the account.
            send_unlock_account_email {}
            after_login { remember_login if param_or_nil("remember") == "true" }
            after_logout { forget_login }
            no_matching_login_message { Phrase["server.auth.email_and_password_do_not_fit"].to_s }
            invalid_password_message { Phrase["server.auth.email_and_password_do_not_fit"].to_s }
            login_notice_flash { Phrase["server.auth.signed_in"].to_s }
            logout_notice_flash { Phrase["server.auth.signed_out"].to_s }
            auth_class_eval do
              private

              def _json_response_body(hash) = Auth.body(hash, response)
            end
          end

          route do |r|
            env["rodauth"] = rodauth
            rodauth.load_memory
            r.on("api") do
              r.rodauth
              nil
            end
          end
        end
      end

      # Rodauth's errors as problem+json.
      def self.body(hash, response)
        return JSON.generate(hash) unless hash["error"]

        response["content-type"] = Problem::TYPE
        field, why = hash["field-error"]
        detail = "#{(why || hash["error"]).capitalize.delete_suffix(".")}."
        if response.status == 403
          detail = Phrase["server.auth.too_many_attempts_failed_so_this", count: Limits::LOCKED_MINUTES]
        end
        JSON.generate(Problem.new(response.status, detail, code: (response.status == 403) ? "locked" : "sign_in", field: field).to_h)
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
      private_class_method :cost
    end
  end
end
