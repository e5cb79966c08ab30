# frozen_string_literal: true

# People of a studio: roles, whose students a teacher may change, invitations, and codes by
# which a studio is opened.
Sequel.migration do
  studio = "nullif(current_setting('stairwell.studio', true), '')::bigint"

  up { run <<~SQL }
      ALTER TABLE memberships DROP CONSTRAINT memberships_role_check,
        ADD CONSTRAINT memberships_role_check CHECK (role IN ('owner', 'teacher', 'assistant')),
        ADD COLUMN joined_at timestamptz NOT NULL DEFAULT clock_timestamp(), ADD COLUMN left_at timestamptz;
      ALTER TABLE studios ADD COLUMN own_students_only boolean NOT NULL DEFAULT false;
      CREATE TABLE invitations (
        studio_id bigint NOT NULL REFERENCES studios,
        id bigint GENERATED ALWAYS AS IDENTITY,
        role text NOT NULL CHECK (role IN ('owner', 'teacher', 'assistant')),
        email text CHECK (length(email) <= 200),
        nonce text NOT NULL,
        made_by bigint NOT NULL,
        made_at timestamptz NOT NULL DEFAULT clock_timestamp(),
        ends_at timestamptz NOT NULL,
        used_by bigint,
        used_at timestamptz,
        withdrawn_at timestamptz,
        PRIMARY KEY (studio_id, id),
        FOREIGN KEY (studio_id, made_by) REFERENCES memberships (studio_id, account_id),
        FOREIGN KEY (studio_id, used_by) REFERENCES memberships (studio_id, account_id)
      );
      CREATE POLICY own_studio ON invitations USING (studio_id = #{studio}) WITH CHECK (studio_id = #{studio});
      ALTER TABLE invitations ENABLE ROW LEVEL SECURITY;
      ALTER TABLE invitations FORCE ROW LEVEL SECURITY;
      -- Who opens a studio has a code that was shown on the server: here lies its print.
      CREATE TABLE openings (
        print text PRIMARY KEY,
        made_at timestamptz NOT NULL DEFAULT clock_timestamp(),
        ends_at timestamptz NOT NULL,
        used_at timestamptz
      );
      GRANT SELECT, INSERT, UPDATE ON invitations TO stairwell_app;
      GRANT SELECT, UPDATE (used_at) ON openings TO stairwell_app;
      GRANT UPDATE (role, left_at) ON memberships TO stairwell_app;
      GRANT UPDATE (own_students_only) ON studios TO stairwell_app;
    SQL

  down { run <<~SQL }
      DROP TABLE openings, invitations;
      REVOKE UPDATE (role, left_at) ON memberships FROM stairwell_app;
      ALTER TABLE studios DROP COLUMN own_students_only;
      ALTER TABLE memberships DROP COLUMN left_at, DROP COLUMN joined_at, DROP CONSTRAINT memberships_role_check,
        ADD CONSTRAINT memberships_role_check CHECK (role IN ('owner', 'teacher'));
    SQL
end
