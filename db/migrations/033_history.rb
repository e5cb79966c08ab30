# frozen_string_literal: true

# Who did what, when, to whom: only added to. It holds no names, so that it says nothing of one who
# is erased.
Sequel.migration do
  studio = "nullif(current_setting('stairwell.studio', true), '')::bigint"

  up { run <<~SQL }
      CREATE TABLE history (
        studio_id bigint NOT NULL REFERENCES studios (id),
        id bigint GENERATED ALWAYS AS IDENTITY,
        at timestamptz NOT NULL DEFAULT clock_timestamp(),
        day date NOT NULL,
        account_id bigint NOT NULL REFERENCES accounts (id),
        operation text NOT NULL CHECK (length(operation) BETWEEN 1 AND 60),
        student_id bigint,
        piece_id bigint,
        PRIMARY KEY (studio_id, id)
      );
      CREATE INDEX history_student ON history (studio_id, student_id, id);
      CREATE INDEX history_account ON history (studio_id, account_id, day);
      CREATE POLICY own_studio ON history USING (studio_id = #{studio}) WITH CHECK (studio_id = #{studio});
      ALTER TABLE history ENABLE ROW LEVEL SECURITY;
      ALTER TABLE history FORCE ROW LEVEL SECURITY;
      GRANT SELECT, INSERT ON history TO stairwell_app;
    SQL

  down { run "DROP TABLE history" }
end
