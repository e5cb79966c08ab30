# frozen_string_literal: true

# Links by which a person comes to a new password or address, and what was done with an
# account, which is only added to.
Sequel.migration do
  up { run <<~SQL }
      CREATE TABLE account_password_reset_keys (
        id bigint PRIMARY KEY REFERENCES accounts,
        key text NOT NULL,
        deadline timestamptz NOT NULL DEFAULT now() + interval '1 day',
        email_last_sent timestamptz NOT NULL DEFAULT now()
      );
      CREATE TABLE account_login_change_keys (
        id bigint PRIMARY KEY REFERENCES accounts,
        key text NOT NULL,
        login text NOT NULL,
        deadline timestamptz NOT NULL DEFAULT now() + interval '1 day'
      );
      CREATE TABLE account_authentication_audit_logs (
        id bigint GENERATED ALWAYS AS IDENTITY PRIMARY KEY,
        account_id bigint NOT NULL REFERENCES accounts,
        at timestamptz NOT NULL DEFAULT clock_timestamp(),
        message text NOT NULL,
        metadata jsonb
      );
      CREATE INDEX account_audit_logs ON account_authentication_audit_logs (account_id, at);
      GRANT SELECT, INSERT, UPDATE, DELETE ON account_password_reset_keys, account_login_change_keys TO stairwell_app;
      GRANT SELECT, INSERT ON account_authentication_audit_logs TO stairwell_app;
    SQL

  down do
    run "DROP TABLE account_authentication_audit_logs, account_login_change_keys, account_password_reset_keys"
  end
end
