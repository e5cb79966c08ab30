# frozen_string_literal: true

module Stairwell
  module Server
    module Auth
      # What the database asks for before it begins a session or changes a password or an address:
      # the password's hash, or the key of a mailed link (`db/migrations/047_doors.rb`).
      module Proofs
        # @return [Door::Session] proves to the database who is signed in
        def door = Door::Session.new(shown: session_proof(session[session_id_session_key]))

        # The database has only the digest of the link's key. A new link ends the one before it.
        # @return [void]
        def create_reset_password_key
          values = {
            key: key_digest(reset_password_key_value),
            deadline: Sequel.lit("now() + interval '1 day'"),
            email_last_sent: Sequel::CURRENT_TIMESTAMP
          }
          password_reset_ds.insert_conflict(target: :id, update: values).insert(
            id: account_id,
            **values
          )
        end

        # @return [Hash, nil] whose link it is
        def account_from_reset_password_key(token)
          id, @mailed_key = account_and_key(token)
          return unless id && db.get(Sequel.function(:reset_key_fits, id, @mailed_key))

          set_account(_account_from_id(id, account_open_status_value), :reset_password)
        end

        # @return [Hash, nil] as {#account_from_reset_password_key}
        def account_from_verify_login_change_key(token)
          id, @mailed_key = account_and_key(token)
          login = id && db.get(Sequel.function(:address_key_fits, id, @mailed_key)) or return

          @verify_login_change_new_login = login
          set_account(_account_from_id(id, account_open_status_value), :verify_login_change)
        end

        # The database accepts a new hash only with the old one, or with the key of a mailed link.
        # @return [void]
        # @raise [Rodauth::SetPasswordFailure] where someone else changed it first
        def set_password(password)
          hash = password_hash(password)
          proof = @mailed_key || @proven_hash
          function = @mailed_key ? :reset_password : :change_password
          unless db.get(Sequel.function(function, account_id, proof, hash))
            raise Rodauth::SetPasswordFailure, "someone else changed it first"
          end

          @proven_hash = hash
        end

        # A session begins only for a person who has just given their password.
        # @return [void]
        def add_active_session
          key = generate_active_sessions_key
          set_session_value(session_id_session_key, key)
          done = Sequel.function(:begin_session, session_value, @proven_hash, session_digest(key))
          raise Rodauth::Error, "no session without a password" unless db.get(done)
        end

        # @return [void]
        def remove_current_session
          (id = session[session_id_session_key]) && remove_active_session(session_digest(id))
        end

        # @return [void]
        def remove_all_active_sessions_except_for(id)
          active_sessions_ds.exclude(session_id: session_digest(id)).delete
        end

        private

        # By the key of a mailed link.
        def _update_login(_login)
          db
            .get(Sequel.function(:change_address, account_id, @mailed_key))
            .tap { |changed| clear_tokens(:change_login) if changed }
        end

        # The database asks for this hash before it changes anything.
        def database_function_password_match?(name, hash_id, password, salt)
          hash = password_hash_using_salt(password, salt)
          db
            .get(Sequel.function(function_name(name), hash_id, hash))
            .tap { |fits| @proven_hash = hash if fits }
        end

        # What proves a session, and the digest of it that the database has.
        def session_proof(id) = id && compute_hmac(id)

        def session_digest(id) = Digest::SHA256.hexdigest(session_proof(id))

        def key_digest(key) = Digest::SHA256.hexdigest(convert_email_token_key(key))

        # @return [Array(Integer, String), nil] account and key of a mailed link, as claimed
        def account_and_key(token)
          id, key = split_token(token)
          id = key && convert_token_id(id)
          id && [id, key]
        end
      end
    end
  end
end
