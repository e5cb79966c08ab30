# frozen_string_literal: true

# What an archive of an older Stairwell does not say of a studio stays as it is in the one it is
# loaded into.
Sequel.migration do
  studio = "nullif(current_setting('stairwell.studio', true), '')::bigint"

  studio_taken = ->(base) { <<~SQL }
      CREATE OR REPLACE FUNCTION take_over_studio(said jsonb) RETURNS void LANGUAGE plpgsql SECURITY DEFINER SET search_path = public, pg_temp AS $$
      DECLARE
        studio bigint := #{studio};
        made studios;
      BEGIN
        IF EXISTS (SELECT FROM students WHERE studio_id = studio) OR EXISTS (SELECT FROM pieces WHERE studio_id = studio) THEN
          RAISE EXCEPTION 'this studio is not empty' USING ERRCODE = 'object_not_in_prerequisite_state';
        END IF;
        SELECT * INTO made FROM jsonb_populate_record(#{base}, said);
        UPDATE studios SET name = made.name, time_zone = made.time_zone, locale = made.locale, holidays = made.holidays, caution = made.caution,
          own_students_only = made.own_students_only, seen = made.seen, promises = made.promises, asks_consent = made.asks_consent, keep_months = made.keep_months
          WHERE id = studio;
      END $$
    SQL

  up { run studio_taken.call("(SELECT s FROM studios s WHERE s.id = studio)") }

  down { run studio_taken.call("NULL::studios") }
end
