# frozen_string_literal: true

# What stands on a sheet does not follow from today's taps: a student's row says how often it
# was changed by anything else, so that a tap leaves the rest as it was worked out.
Sequel.migration do
  up { run <<~SQL }
      ALTER TABLE students ADD COLUMN marks_version bigint NOT NULL DEFAULT 0, ADD COLUMN plan_version bigint NOT NULL DEFAULT 0;

      CREATE FUNCTION marks_changed() RETURNS trigger LANGUAGE plpgsql AS $$
      BEGIN
        UPDATE students SET record_version = record_version + 1, marks_version = marks_version + 1
        FROM (SELECT DISTINCT studio_id, student_id FROM changed) AS about
        WHERE students.studio_id = about.studio_id AND students.id = about.student_id;
        RETURN NULL;
      END $$;
      DROP TRIGGER record_changed_by_insert ON practice_marks;
      CREATE TRIGGER marks_changed AFTER INSERT ON practice_marks
        REFERENCING NEW TABLE AS changed FOR EACH STATEMENT EXECUTE FUNCTION marks_changed();

      CREATE FUNCTION plan_changed() RETURNS trigger LANGUAGE plpgsql AS $$
      BEGIN
        IF NEW.marks_version = OLD.marks_version THEN
          NEW.plan_version := OLD.plan_version + 1;
        END IF;
        RETURN NEW;
      END $$;
      CREATE TRIGGER plan_changed BEFORE UPDATE ON students FOR EACH ROW EXECUTE FUNCTION plan_changed();
    SQL

  down { run <<~SQL }
      DROP TRIGGER plan_changed ON students;
      DROP TRIGGER marks_changed ON practice_marks;
      CREATE TRIGGER record_changed_by_insert AFTER INSERT ON practice_marks
        REFERENCING NEW TABLE AS changed FOR EACH STATEMENT EXECUTE FUNCTION record_changed();
      DROP FUNCTION plan_changed();
      DROP FUNCTION marks_changed();
      ALTER TABLE students DROP COLUMN marks_version, DROP COLUMN plan_version;
    SQL
end
