# frozen_string_literal: true

module Stairwell
  module Server
    module Auth
      # What is our own in how a person signs in.
      module Methods
        # A session that was ended elsewhere, or by age, is none. The cookie of one that is
        # remembered outlives the browser.
        # @return [void]
        def sign_out_if_ended
          return unless logged_in?
          return clear_session unless currently_active_session?

          request.env["rack.session.options"][:expire_after] = Limits::REMEMBERED[:age] if session[
            "remembered"
          ]
        end

        # @return [Boolean] whether the session is one in the database, of an open account
        def currently_active_session?
          return false unless (id = session[session_id_session_key])

          mine = active_sessions_ds.where(session_id: session_digest(id))
          found =
            mine
              .exclude(inactive_session_cond)
              .where(
                account_id: db[:accounts].where(status_id: account_open_status_value).select(:id)
              )
              .get(:last_use)
          return false unless found

          # Once a minute is enough to tell how long it rested; a page that only listens for news
          # rests.
          if found < Time.now - 60 && request.path != "/api/news"
            mine.update(active_sessions_update_hash)
          end
          true
        end

        # @return [void]
        # @raise [Problem] 403
        def refuse_too_many
          if attempts.too_many?
            raise Problem.new(
                    403,
                    Phrase[
                      "server.auth.too_many_attempts_failed_so_this",
                      count: Limits::LOCKED_MINUTES
                    ],
                    code: "locked"
                  )
          end
        end

        # An address that nobody has takes as long as one with a wrong password.
        def account_from_login(login)
          super.tap do |found|
            next if found

            Auth.take_time(param(password_param))
            attempts.failed
          end
        end

        # Mails the link for a new address; in a job, never while someone waits.
        # @return [void]
        def send_address_link
          account_from_session
          key = random_key
          waiting = verify_login_change_ds.where(Sequel[:deadline] > Sequel::CURRENT_TIMESTAMP)
          login = waiting.returning(:login).update(key: key_digest(key)).first&.fetch(:login)
          deliver(:address, login, token_param_value(key)) if login
        end

        # @return [String] of a link for a new password, which is not mailed
        def reset_key
          account_from_session
          generate_reset_password_key_value
          create_reset_password_key
          token_param_value(reset_password_key_value)
        end

        # @param password [String] a new one
        # @return [String, nil] what is wrong with it
        def wrong_with(password) =
          password_meets_requirements?(password) ? nil : password_requirement_message

        # @return [void]
        def send_reset_password_email =
          deliver(:forgotten, email_to, token_param_value(reset_password_key_value))

        private

        # @return [void]
        def mail(kind, to: nil) = Jobs::SendAccountMail.enqueue(kind.to_s, account_id, to)

        def deliver(kind, to, key)
          db.after_commit { AccountMail.new(Jobs.contexts).deliver(kind, to, key: key) }
        end

        # Whoever has the mail of an address is let in again, whoever shut it.
        def opened_again
          Attempts.new(db, hmac_secret, email: account[login_column]).forget
          mail(:changed)
        end

        # A copy of the cookie that was sent so far opens nothing any more, here or elsewhere.
        def renew_session
          remove_all_active_sessions
          add_active_session
          remembered = session["remembered"] == true
          active_sessions_ds.where(
            session_id: session_digest(session[session_id_session_key])
          ).update(remembered: remembered)
          mail(:changed)
        end

        # Common words with figures and signs around them, and the same twice, are as common.
        def password_one_of_most_common?(password)
          plain = password.downcase
          bare = plain.gsub(/\A[^a-z]+|[^a-z]+\z/, "")
          words = bare.split(/[^a-z]+/)
          half = bare[0, bare.size / 2]
          bare = words.first if words.uniq.size == 1
          bare = half if half * 2 == bare
          [password, plain, bare].any? { |word| super(word) }
        end

        # Who is signed in is counted by their session: a stranger who guesses at the address shuts
        # nobody out who is in.
        def attempts
          @attempts ||=
            Attempts.new(
              db,
              hmac_secret,
              email: attempted,
              device: request.cookies[Attempts::COOKIE],
              session: (session[session_id_session_key] if logged_in? && !signing_in?)
            )
        end

        def signing_in? = request.path == "/api/login"

        # The address whose password is tried.
        def attempted =
          if signing_in? || !logged_in?
            param_or_nil(login_param)
          else
            account_from_session && account[login_column]
          end

        # Who changes something says their password once more: guesses are counted there, too.
        def throw_error_reason(reason, *)
          if %i[invalid_password invalid_previous_password].include?(reason) && !signing_in?
            attempts.failed
          end
          super
        end

        def set_error_reason(reason) = @reason = reason

        # Whether an address has an account is not told to whoever would like to have it.
        def update_login(login)
          return true if _account_from_login(login)

          asked = Sequel.function(:ask_for_address, account_id, @proven_hash, login)
          db.get(asked).tap { |taken| mail(:address) if taken }
        end

        def password_does_not_meet_requirements_message = password_requirement_message

        def login_does_not_meet_requirements_message = login_requirement_message

        def remember_device
          remembered = param_or_nil("remember") == "true"
          session["remembered"] = true if remembered
          active_sessions_ds.where(
            session_id: session_digest(session[session_id_session_key])
          ).update(remembered: remembered)
          if remembered
            request.env["rack.session.options"][:expire_after] = Limits::REMEMBERED[:age]
          end
          response.set_cookie(
            Attempts::COOKIE,
            value: attempts.know(account_id),
            path: "/api/login",
            httponly: true,
            same_site: :lax,
            secure: request.ssl?,
            max_age: Limits::DEVICE_SECONDS
          )
        end

        # Those that rest or are old; who asked to stay signed in may rest longer.
        def inactive_session_cond
          [Limits::SIGNED_IN, Limits::REMEMBERED].zip([false, true])
            .map do |most, remembered|
              ended =
                { last_use: most[:rest], created_at: most[:age] }.map do |column, seconds|
                  Sequel[column] < Sequel.date_sub(Sequel::CURRENT_TIMESTAMP, seconds: seconds)
                end
              Sequel.&({ remembered: remembered }, Sequel.|(*ended))
            end
            .reduce { |one, other| Sequel.|(one, other) }
        end

        def _json_response_body(hash) = Auth.body(hash, response, @reason)
      end
    end
  end
end
