# frozen_string_literal: true

# A studio's own routines: copies of those that ship, changed.
Sequel.migration do
  studio = "nullif(current_setting('stairwell.studio', true), '')::bigint"

  up { run <<~SQL }
      CREATE TABLE routines (
        studio_id bigint NOT NULL REFERENCES studios,
        id bigint GENERATED ALWAYS AS IDENTITY,
        name text NOT NULL CHECK (length(name) BETWEEN 1 AND 80),
        for_whom text NOT NULL CHECK (length(for_whom) <= 400),
        stages jsonb NOT NULL,
        made_by bigint NOT NULL,
        version integer NOT NULL DEFAULT 1,
        PRIMARY KEY (studio_id, id),
        FOREIGN KEY (studio_id, made_by) REFERENCES memberships (studio_id, account_id)
      );
      CREATE UNIQUE INDEX routines_name ON routines (studio_id, lower(name));
      CREATE POLICY own_studio ON routines USING (studio_id = #{studio}) WITH CHECK (studio_id = #{studio});
      ALTER TABLE routines ENABLE ROW LEVEL SECURITY;
      ALTER TABLE routines FORCE ROW LEVEL SECURITY;
      GRANT SELECT, INSERT, UPDATE ON routines TO stairwell_app;
    SQL

  down { run "DROP TABLE routines" }
end
