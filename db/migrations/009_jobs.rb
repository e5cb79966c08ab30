# frozen_string_literal: true

require "que"

# Work in the background: the tables of the job library, and how far each
# planning of a whole studio is.
Sequel.migration do
  studio = "nullif(current_setting('stairwell.studio', true), '')::bigint"

  up do
    Que.connection = self
    Que.migrate!(version: 7)
    run "GRANT SELECT, INSERT, UPDATE, DELETE ON que_jobs, que_lockers, que_values TO stairwell_app"
    run "GRANT USAGE ON SEQUENCE que_jobs_id_seq TO stairwell_app"
    run <<~SQL
      CREATE TABLE plan_runs (
        studio_id bigint NOT NULL REFERENCES studios,
        id bigint GENERATED ALWAYS AS IDENTITY,
        started_by bigint NOT NULL,
        total integer NOT NULL,
        done integer NOT NULL DEFAULT 0,
        failed integer NOT NULL DEFAULT 0,
        started_at timestamptz NOT NULL DEFAULT clock_timestamp(),
        finished_at timestamptz,
        PRIMARY KEY (studio_id, id),
        CHECK (done + failed <= total),
        FOREIGN KEY (studio_id, started_by) REFERENCES memberships (studio_id, account_id)
      );
      CREATE POLICY own_studio ON plan_runs USING (studio_id = #{studio}) WITH CHECK (studio_id = #{studio});
      ALTER TABLE plan_runs ENABLE ROW LEVEL SECURITY;
      ALTER TABLE plan_runs FORCE ROW LEVEL SECURITY;
      GRANT SELECT, INSERT, UPDATE ON plan_runs TO stairwell_app;
    SQL
  end

  down do
    run "DROP TABLE plan_runs"
    Que.connection = self
    Que.migrate!(version: 0)
  end
end
