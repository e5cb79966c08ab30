# frozen_string_literal: true

# What a family writes on its sheet; it stands in the lesson until someone has read it.
Sequel.migration do
  studio = "nullif(current_setting('stairwell.studio', true), '')::bigint"

  up { run <<~SQL }
      CREATE TABLE messages (
        studio_id bigint NOT NULL,
        id bigint GENERATED ALWAYS AS IDENTITY,
        student_id bigint NOT NULL,
        key uuid NOT NULL,
        day date NOT NULL CHECK (day BETWEEN '1990-01-01' AND '2200-12-31'),
        text text NOT NULL CHECK (length(text) BETWEEN 1 AND 500),
        -- On the phone's clock; made_at is when it arrived.
        written_at timestamptz,
        made_at timestamptz NOT NULL DEFAULT clock_timestamp(),
        read_by bigint,
        read_at timestamptz,
        PRIMARY KEY (studio_id, id),
        UNIQUE (studio_id, key),
        CHECK ((read_by IS NULL) = (read_at IS NULL)),
        FOREIGN KEY (studio_id, student_id) REFERENCES students (studio_id, id),
        FOREIGN KEY (studio_id, read_by) REFERENCES memberships (studio_id, account_id)
      );
      CREATE INDEX messages_student ON messages (studio_id, student_id, id);
      CREATE INDEX messages_unread ON messages (studio_id, student_id) WHERE read_at IS NULL;
      CREATE POLICY own_studio ON messages USING (studio_id = #{studio}) WITH CHECK (studio_id = #{studio});
      ALTER TABLE messages ENABLE ROW LEVEL SECURITY;
      ALTER TABLE messages FORCE ROW LEVEL SECURITY;
      GRANT SELECT, INSERT, UPDATE (read_by, read_at) ON messages TO stairwell_app;
    SQL

  down { run "DROP TABLE messages" }
end
