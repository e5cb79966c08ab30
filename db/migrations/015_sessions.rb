# frozen_string_literal: true

require "rodauth/migrations"

# Sessions lie in the database and can be ended; devices that were signed in before are
# known; attempts are counted beside other requests, and no longer in tables of their own.
# The app's role can check a password, but not read what it is checked against.
Sequel.migration do
  up do
    run <<~SQL
      DROP TABLE account_remember_keys, account_lockouts, account_login_failures;

      CREATE TABLE account_active_session_keys (
        account_id bigint NOT NULL REFERENCES accounts,
        session_id text NOT NULL,
        remembered boolean NOT NULL DEFAULT false,
        created_at timestamptz NOT NULL DEFAULT now(),
        last_use timestamptz NOT NULL DEFAULT now(),
        PRIMARY KEY (account_id, session_id)
      );
      -- A device by the hash of what its cookie holds.
      CREATE TABLE account_devices (
        account_id bigint NOT NULL REFERENCES accounts,
        print text NOT NULL,
        last_use timestamptz NOT NULL DEFAULT now(),
        PRIMARY KEY (account_id, print)
      );
      GRANT SELECT, INSERT, UPDATE, DELETE ON account_active_session_keys, account_devices TO stairwell_app;
    SQL
    Rodauth.create_database_authentication_functions(self)
    run <<~SQL
      REVOKE ALL ON account_password_hashes FROM stairwell_app;
      GRANT SELECT (id), INSERT, UPDATE ON account_password_hashes TO stairwell_app;
      REVOKE ALL ON FUNCTION rodauth_get_salt(bigint), rodauth_valid_password_hash(bigint, text) FROM PUBLIC;
      GRANT EXECUTE ON FUNCTION rodauth_get_salt(bigint), rodauth_valid_password_hash(bigint, text) TO stairwell_app;
      DO $$ BEGIN EXECUTE format('REVOKE TEMPORARY ON DATABASE %I FROM PUBLIC', current_database()); END $$;
      DO $$ BEGIN EXECUTE format('GRANT TEMPORARY ON DATABASE %I TO stairwell_queue', current_database()); END $$;
      GRANT USAGE ON SCHEMA public TO stairwell_queue;
      GRANT SELECT, INSERT, UPDATE, DELETE ON que_jobs, que_lockers TO stairwell_queue;
    SQL
  end

  down { run <<~SQL }
      DO $$ BEGIN EXECUTE format('GRANT TEMPORARY ON DATABASE %I TO PUBLIC', current_database()); END $$;
      REVOKE ALL ON que_jobs, que_lockers FROM stairwell_queue;
      REVOKE USAGE ON SCHEMA public FROM stairwell_queue;
      DROP FUNCTION rodauth_get_salt(bigint), rodauth_valid_password_hash(bigint, text);
      GRANT SELECT, INSERT, UPDATE, DELETE ON account_password_hashes TO stairwell_app;
      DROP TABLE account_devices, account_active_session_keys;
      CREATE TABLE account_login_failures (id bigint PRIMARY KEY REFERENCES accounts, number integer NOT NULL DEFAULT 1);
      CREATE TABLE account_lockouts (id bigint PRIMARY KEY REFERENCES accounts, key text NOT NULL, deadline timestamptz NOT NULL, email_last_sent timestamptz);
      CREATE TABLE account_remember_keys (id bigint PRIMARY KEY REFERENCES accounts, key text NOT NULL, deadline timestamptz NOT NULL);
      GRANT SELECT, INSERT, UPDATE, DELETE ON account_login_failures, account_lockouts, account_remember_keys TO stairwell_app;
    SQL
end
