# frozen_string_literal: true

require "roda"

module Stairwell
  module Server
    # Signing in and out, and what a person changes of how they do, by Rodauth, with
    # sessions that lie in the database. Answers {ROUTES} and puts itself into the
    # environment for everything behind it.
    module Auth
      # What Rodauth answers itself, by its own name of it.
      ROUTES = {
        login: "login",
        logout: "logout",
        reset_password: "reset-password",
        change_password: "change-password",
        change_login: "change-address",
        verify_login_change: "confirm-address"
      }.freeze
      PASSWORD_ASKED =
        ROUTES
          .values_at(:login, :change_password, :change_login)
          .map { |path| "/api/#{path}" }
          .freeze
      # What Rodauth says, and our words for it. Whatever is wrong with signing in, it is said
      # the same way.
      WORDS = {
        no_matching_login_message: "email_and_password_do_not_fit",
        login_notice_flash: "signed_in",
        logout_notice_flash: "signed_out",
        require_login_error_flash: "sign_in",
        invalid_previous_password_message: "another_password",
        password_too_short_message: "too_short",
        password_too_many_bytes_message: "too_long",
        password_is_one_of_the_most_common_message: "too_common",
        same_as_existing_password_message: "same_password",
        contains_null_byte_message: "too_long",
        concurrent_password_update_message: "changed_meanwhile",
        change_password_notice_flash: "changed",
        reset_password_notice_flash: "changed",
        reset_password_error_flash: "link_is_over",
        no_matching_reset_password_key_error_flash: "link_is_over",
        verify_login_change_error_flash: "link_is_over",
        verify_login_change_duplicate_account_error_flash: "link_is_over",
        change_login_needs_verification_notice_flash: "link_sent",
        verify_login_change_notice_flash: "moved",
        login_not_valid_email_message: "no_address",
        login_too_short_message: "no_address",
        login_too_long_message: "no_address",
        same_as_current_login_message: "same_address"
      }.freeze
      private_constant :WORDS, :PASSWORD_ASKED

      # @param contexts [StudioContexts]
      # @param store [Store] contexts.keeper for what the web server may not do, such as making the
      #   links that are mailed
      # @return [Class] what does for an account what nobody asks for over HTTP
      def self.within(contexts, store = contexts.store)
        @within ||= {}
        @within[store] ||= middleware(store, contexts.settings).rodauth
      end

      # @param store [Store]
      # @param settings [Settings]
      # @return [Class] a Roda application to be used as Rack middleware
      def self.middleware(store, settings)
        Class.new(Roda) do
          plugin :middleware, next_if_not_found: true
          plugin :cookies
          plugin :json_parser, content_type_regexp: %r{\Aapplication/json\b}i
          plugin :rodauth, json: :only do
            enable :json,
                   :login,
                   :logout,
                   :active_sessions,
                   :reset_password,
                   :change_password,
                   :verify_login_change,
                   :disallow_common_passwords,
                   :audit_logging,
                   :internal_request
            db store.db
            domain URI(settings.address).host # no link is made of what a request says
            prefix "/api"
            hmac_secret settings.session_secret[0, 64]
            login_param "email"
            normalize_login { |login| login.strip.downcase }
            password_hash_table :account_password_hashes
            global_logout_param "everywhere"
            skip_status_checks? false # an account that is closed is none
            already_logged_in {} # signing in again is fine
            ROUTES.each { |name, path| public_send(:"#{name}_route", path) }
            # Links are asked for at an address of our own, which answers whoever asks alike.
            reset_password_request_route nil
            new_password_param "new_password"
            require_password_confirmation? false
            password_minimum_length Limits::PASSWORD.min
            password_maximum_bytes Limits::PASSWORD.max
            reset_password_skip_resend_email_within Limits::MAIL_AGAIN
            audit_log_metadata_default { { from: request.ip } }
            WORDS.each do |name, key|
              public_send(name) do
                Phrase[
                  "server.auth.#{key}",
                  least: Limits::PASSWORD.min,
                  most: Limits::PASSWORD.max
                ].to_s
              end
            end
            invalid_password_message do
              Phrase[
                "server.auth.#{signing_in? ? "email_and_password_do_not_fit" : "another_password"}"
              ].to_s
            end
            # Only who is not signed in is told to sign in.
            invalid_password_error_status { signing_in? ? 401 : 422 }
            invalid_key_error_status 422
            after_login_failure { attempts.failed }
            after_login { remember_device }
            after_reset_password { opened_again }
            after_change_password { renew_session }
            before_verify_login_change { mail(:moved, to: account[login_column]) }
            auth_class_eval do
              include Auth::Proofs
              include Auth::Methods
            end
          end

          route do |r|
            env["rodauth"] = rodauth
            rodauth.sign_out_if_ended
            r.on("api") do
              rodauth.refuse_too_many if r.post? && PASSWORD_ASKED.include?(r.path)
              r.rodauth
              nil
            end
          end
        end
      end

      # Rodauth's errors as problem+json.
      def self.body(hash, response, reason)
        return JSON.generate(hash) unless hash["error"]

        response["content-type"] = Problem::TYPE
        field, why = hash["field-error"]
        # Which of the two is wrong with a sign-in is not said.
        code, field = "sign_in", nil if response.status == 401
        JSON.generate(
          Problem.new(
            response.status,
            why || hash["error"],
            code: code || (reason || "account").to_s,
            field: field
          ).to_h
        )
      end

      # Adds a person who can sign in.
      # @return [Integer] the account's id
      def self.add_account(db, email:, name:, password:)
        keep_account(
          db,
          email: email,
          name: name,
          hash: BCrypt::Password.create(password, cost: cost)
        )
      end

      # The same where the password's hash was made before, outside of a transaction.
      # @return [Integer]
      def self.keep_account(db, email:, name:, hash:)
        db.get(Sequel.function(:add_account, email, name, hash))
      end

      # As long as looking at a password takes, where there is none to be looked at.
      # @return [void]
      def self.take_time(password) =
        BCrypt::Engine.hash_secret(password, BCrypt::Engine.generate_salt(cost))

      # Cheap in tests, where hundreds of sign-ins prove nothing about bcrypt.
      def self.cost =
        (ENV["RACK_ENV"] == "test") ? BCrypt::Engine::MIN_COST : BCrypt::Engine::DEFAULT_COST
    end
  end
end
