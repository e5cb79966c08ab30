# frozen_string_literal: true

# A number that was an erased student's is nobody's again: an archive tells of whom was erased, and
# numbers go on after those too. Otherwise the next student would have it, and be erased with the
# next restore.
Sequel.migration do
  studio = "nullif(current_setting('stairwell.studio', true), '')::bigint"

  numbered_on = ->(students) { <<~SQL }
      CREATE OR REPLACE FUNCTION number_on() RETURNS void LANGUAGE plpgsql SECURITY DEFINER SET search_path = public, pg_temp AS $$
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
          #{students}
          IF taken > 1125899906842624 THEN
            RAISE EXCEPTION 'no such number' USING ERRCODE = 'numeric_value_out_of_range';
          END IF;
          -- Others number on meanwhile: it only ever goes forward, and some are left out.
          IF taken >= nextval(pg_get_serial_sequence(one, 'id')) THEN
            PERFORM setval(pg_get_serial_sequence(one, 'id'), taken + 1000);
          END IF;
        END LOOP;
      END $$
    SQL

  up do
    run numbered_on.call(
          "IF one = 'students' THEN taken := greatest(taken, (SELECT max(e.student_id) FROM erasures e WHERE e.studio_id = studio)); END IF;"
        )
  end

  down { run numbered_on.call("") }
end
