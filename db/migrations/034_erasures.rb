# frozen_string_literal: true

# The only way out of tables that are only added to: a function of their owner's, which notes
# itself.
Sequel.migration do
  studio = "nullif(current_setting('stairwell.studio', true), '')::bigint"

  up { run <<~SQL }
      CREATE TABLE erasures (
        studio_id bigint NOT NULL REFERENCES studios (id),
        student_id bigint NOT NULL,
        erased_at timestamptz NOT NULL DEFAULT clock_timestamp(),
        PRIMARY KEY (studio_id, student_id)
      );
      CREATE POLICY own_studio ON erasures USING (studio_id = #{studio}) WITH CHECK (studio_id = #{studio});
      ALTER TABLE erasures ENABLE ROW LEVEL SECURITY;
      ALTER TABLE erasures FORCE ROW LEVEL SECURITY;
      GRANT SELECT ON erasures TO stairwell_app;

      -- Takes away every row about a student of the studio one is in, and the student. What stands in the way of a
      -- table is taken away first: that is found by trying, so that a table made later needs no word here.
      CREATE FUNCTION erase_student(erased bigint) RETURNS void LANGUAGE plpgsql SECURITY DEFINER SET search_path = public, pg_temp AS $$
      DECLARE
        studio bigint := #{studio};
        waiting text[] := ARRAY(
          SELECT table_name::text FROM information_schema.columns
          WHERE table_schema = 'public' AND column_name = 'student_id' AND table_name NOT IN ('history', 'erasures')
        );
        left_over text[];
        one text;
      BEGIN
        PERFORM FROM students WHERE studio_id = studio AND id = erased FOR UPDATE;
        IF NOT FOUND THEN
          RAISE EXCEPTION 'no such student' USING ERRCODE = 'no_data_found';
        END IF;
        WHILE cardinality(waiting) > 0 LOOP
          left_over := '{}';
          FOREACH one IN ARRAY waiting LOOP
            BEGIN
              EXECUTE format('DELETE FROM %I WHERE studio_id = $1 AND student_id = $2', one) USING studio, erased;
            EXCEPTION WHEN foreign_key_violation THEN
              left_over := left_over || one;
            END;
          END LOOP;
          IF cardinality(left_over) = cardinality(waiting) THEN
            RAISE EXCEPTION 'rows of % are held by others', array_to_string(left_over, ', ');
          END IF;
          waiting := left_over;
        END LOOP;
        DELETE FROM students WHERE studio_id = studio AND id = erased;
        INSERT INTO erasures (studio_id, student_id) VALUES (studio, erased) ON CONFLICT DO NOTHING;
      END $$;
      REVOKE ALL ON FUNCTION erase_student(bigint) FROM PUBLIC;
      GRANT EXECUTE ON FUNCTION erase_student(bigint) TO stairwell_app;
    SQL

  down { run "DROP FUNCTION erase_student(bigint); DROP TABLE erasures" }
end
