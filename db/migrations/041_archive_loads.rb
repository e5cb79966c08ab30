# frozen_string_literal: true

# An archive that is being loaded: the file as it came, in parts, until a job has read it, and how
# far the job is. One for each studio.
Sequel.migration do
  studio = "nullif(current_setting('stairwell.studio', true), '')::bigint"

  up do
    run <<~SQL
      CREATE TABLE archive_loads (
        studio_id bigint PRIMARY KEY REFERENCES studios (id),
        account_id bigint NOT NULL,
        state text NOT NULL CHECK (state IN ('waiting', 'reading', 'loading', 'loaded', 'failed')),
        done integer NOT NULL DEFAULT 0 CHECK (done >= 0),
        total integer NOT NULL DEFAULT 0 CHECK (total >= done),
        answer jsonb,
        changed_at timestamptz NOT NULL DEFAULT clock_timestamp(),
        FOREIGN KEY (studio_id, account_id) REFERENCES memberships (studio_id, account_id)
      );
      CREATE TABLE archive_parts (
        studio_id bigint NOT NULL REFERENCES archive_loads (studio_id) ON DELETE CASCADE,
        number integer NOT NULL CHECK (number >= 0),
        content bytea NOT NULL,
        PRIMARY KEY (studio_id, number)
      );
      GRANT SELECT, INSERT, UPDATE, DELETE ON archive_loads, archive_parts TO stairwell_app;
    SQL
    %w[archive_loads archive_parts].each { |table| run <<~SQL }
      CREATE POLICY own_studio ON #{table}
        USING (studio_id = #{studio}) WITH CHECK (studio_id = #{studio});
      ALTER TABLE #{table} ENABLE ROW LEVEL SECURITY;
      ALTER TABLE #{table} FORCE ROW LEVEL SECURITY;
    SQL
  end

  down { run "DROP TABLE archive_parts, archive_loads" }
end
