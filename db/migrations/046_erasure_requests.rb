# frozen_string_literal: true

# Erasing is asked for, and done a day later by a role that the web server does not know: until then
# an owner can stop it. Whoever breaks into the web server can ask, and no more.
Sequel.migration do
  studio = "nullif(current_setting('stairwell.studio', true), '')::bigint"

  up { run <<~SQL }
      DO $$ BEGIN
        IF NOT EXISTS (SELECT FROM pg_roles WHERE rolname = 'stairwell_keeper') THEN
          CREATE ROLE stairwell_keeper NOLOGIN;
        END IF;
      END $$;
      CREATE TABLE erasure_requests (
        studio_id bigint NOT NULL,
        student_id bigint NOT NULL,
        asked_at timestamptz NOT NULL DEFAULT clock_timestamp(),
        -- Nobody who asks says when: the database does.
        due_at timestamptz NOT NULL DEFAULT clock_timestamp() + interval '1 day',
        asked_by bigint,
        stopped_at timestamptz,
        PRIMARY KEY (studio_id, student_id, asked_at),
        FOREIGN KEY (studio_id, student_id) REFERENCES students (studio_id, id),
        FOREIGN KEY (studio_id, asked_by) REFERENCES memberships (studio_id, account_id)
      );
      CREATE UNIQUE INDEX erasure_requests_pending ON erasure_requests (studio_id, student_id)
        WHERE stopped_at IS NULL;
      CREATE POLICY own_studio ON erasure_requests
        USING (studio_id = #{studio}) WITH CHECK (studio_id = #{studio});
      ALTER TABLE erasure_requests ENABLE ROW LEVEL SECURITY;
      ALTER TABLE erasure_requests FORCE ROW LEVEL SECURITY;
      GRANT SELECT, INSERT (studio_id, student_id, asked_by), UPDATE (stopped_at)
        ON erasure_requests TO stairwell_app;

      -- Erases a student of the studio one is in, where that was asked for a day ago and not stopped.
      CREATE FUNCTION erase_as_asked(erased bigint) RETURNS boolean LANGUAGE plpgsql SECURITY DEFINER
        SET search_path = public, pg_temp AS $$
      BEGIN
        PERFORM FROM erasure_requests
          WHERE studio_id = #{studio} AND student_id = erased AND stopped_at IS NULL
            AND due_at <= clock_timestamp() FOR UPDATE;
        IF NOT FOUND THEN
          RETURN false;
        END IF;
        PERFORM erase_student(erased);
        RETURN true;
      END $$;
      REVOKE ALL ON FUNCTION erase_as_asked(bigint) FROM PUBLIC;
      REVOKE EXECUTE ON FUNCTION erase_student(bigint) FROM stairwell_app;
      GRANT USAGE ON SCHEMA public TO stairwell_keeper;
      GRANT EXECUTE ON FUNCTION erase_as_asked(bigint) TO stairwell_keeper;
    SQL

  down { run <<~SQL }
      GRANT EXECUTE ON FUNCTION erase_student(bigint) TO stairwell_app;
      DROP FUNCTION erase_as_asked(bigint);
      DROP TABLE erasure_requests;
    SQL
end
