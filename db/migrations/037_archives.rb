# frozen_string_literal: true

# What the app itself may not do when an archive is loaded into an empty studio: set what the studio
# is called and how it works, take over whom it erased, and keep numbers that are taken from being
# given again.
Sequel.migration do
  studio = "nullif(current_setting('stairwell.studio', true), '')::bigint"

  up { run <<~SQL }
      CREATE FUNCTION take_over_studio(said jsonb) RETURNS void LANGUAGE plpgsql SECURITY DEFINER SET search_path = public, pg_temp AS $$
      DECLARE
        studio bigint := #{studio};
        made studios;
      BEGIN
        IF EXISTS (SELECT FROM students WHERE studio_id = studio) OR EXISTS (SELECT FROM pieces WHERE studio_id = studio) THEN
          RAISE EXCEPTION 'this studio is not empty' USING ERRCODE = 'object_not_in_prerequisite_state';
        END IF;
        SELECT * INTO made FROM jsonb_populate_record(NULL::studios, said);
        UPDATE studios SET name = made.name, time_zone = made.time_zone, locale = made.locale, holidays = made.holidays, caution = made.caution,
          own_students_only = made.own_students_only, seen = made.seen, promises = made.promises, asks_consent = made.asks_consent, keep_months = made.keep_months
          WHERE id = studio;
      END $$;

      CREATE FUNCTION take_over_erasures(said jsonb) RETURNS void LANGUAGE sql SECURITY DEFINER SET search_path = public, pg_temp AS $$
        INSERT INTO erasures (studio_id, student_id, erased_at)
          SELECT #{studio}, one.student_id, one.erased_at FROM jsonb_populate_recordset(NULL::erasures, said) AS one ON CONFLICT DO NOTHING
      $$;

      -- The next number of every table comes after those that are there.
      CREATE FUNCTION number_on() RETURNS void LANGUAGE plpgsql SECURITY DEFINER SET search_path = public, pg_temp AS $$
      DECLARE
        studio bigint := #{studio};
        one text;
        taken bigint;
      BEGIN
        FOR one IN
          SELECT c.table_name FROM information_schema.columns c
          WHERE c.table_schema = 'public' AND c.column_name = 'id' AND c.is_identity = 'YES'
            AND EXISTS (SELECT FROM information_schema.columns d WHERE d.table_schema = 'public' AND d.table_name = c.table_name AND d.column_name = 'studio_id')
        LOOP
          EXECUTE format('SELECT max(id) FROM %I WHERE studio_id = $1', one) INTO taken USING studio;
          IF taken > 1125899906842624 THEN
            RAISE EXCEPTION 'no such number' USING ERRCODE = 'numeric_value_out_of_range';
          END IF;
          -- Others number on meanwhile: it only ever goes forward, and some are left out.
          IF taken >= nextval(pg_get_serial_sequence(one, 'id')) THEN
            PERFORM setval(pg_get_serial_sequence(one, 'id'), taken + 1000);
          END IF;
        END LOOP;
      END $$;
      REVOKE ALL ON FUNCTION take_over_studio(jsonb), take_over_erasures(jsonb), number_on() FROM PUBLIC;
      GRANT EXECUTE ON FUNCTION take_over_studio(jsonb), take_over_erasures(jsonb), number_on() TO stairwell_app;
    SQL

  down do
    run "DROP FUNCTION take_over_studio(jsonb); DROP FUNCTION take_over_erasures(jsonb); DROP FUNCTION number_on()"
  end
end
