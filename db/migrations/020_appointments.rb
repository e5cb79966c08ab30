# frozen_string_literal: true

# Lessons as appointments: the weekly times of a student, what is changed of single lessons,
# who stands in for whom, pauses; contact persons, brothers and sisters, calendars.
Sequel.migration do
  studio = "nullif(current_setting('stairwell.studio', true), '')::bigint"
  tables = %w[families appointments covers calendar_links]

  up do
    run <<~SQL
      CREATE TABLE families (
        studio_id bigint NOT NULL REFERENCES studios,
        id bigint GENERATED ALWAYS AS IDENTITY,
        made_at timestamptz NOT NULL DEFAULT clock_timestamp(),
        PRIMARY KEY (studio_id, id)
      );
      ALTER TABLE students
        ADD COLUMN lesson_minutes integer NOT NULL DEFAULT 30 CHECK (lesson_minutes BETWEEN 5 AND 240),
        -- Further lessons every week: weekday, time, minutes, teacher_id (null: the student's).
        ADD COLUMN more_lessons jsonb NOT NULL DEFAULT '[]' CHECK (jsonb_typeof(more_lessons) = 'array' AND jsonb_array_length(more_lessons) <= 6),
        -- People who are written to: name, email, locale (null: the student's).
        ADD COLUMN contacts jsonb NOT NULL DEFAULT '[]' CHECK (jsonb_typeof(contacts) = 'array' AND jsonb_array_length(contacts) <= 6),
        ADD COLUMN paused_on date CHECK (paused_on BETWEEN '1990-01-01' AND '2200-12-31'),
        ADD COLUMN family_id bigint,
        ADD FOREIGN KEY (studio_id, family_id) REFERENCES families (studio_id, id);
      CREATE INDEX students_family ON students (studio_id, family_id) WHERE family_id IS NOT NULL;

      -- A lesson that is not as the weekly times give it, or of which something is known.
      -- One that was put in has the client's key and no planned day.
      CREATE TABLE appointments (
        studio_id bigint NOT NULL,
        id bigint GENERATED ALWAYS AS IDENTITY,
        student_id bigint NOT NULL,
        planned_on date,
        key uuid,
        day date NOT NULL CHECK (day BETWEEN '1990-01-01' AND '2200-12-31'),
        time time NOT NULL,
        minutes integer NOT NULL CHECK (minutes BETWEEN 5 AND 240),
        teacher_id bigint,
        left_out boolean NOT NULL DEFAULT false,
        why text CHECK (length(why) <= 200),
        makes_up_for date,
        attendance text CHECK (attendance IN ('came', 'late', 'missed', 'excused')),
        version integer NOT NULL DEFAULT 1,
        changed_by bigint,
        changed_at timestamptz NOT NULL DEFAULT clock_timestamp(),
        PRIMARY KEY (studio_id, id),
        CHECK ((planned_on IS NULL) = (key IS NOT NULL)),
        UNIQUE (studio_id, student_id, planned_on),
        UNIQUE (studio_id, key),
        FOREIGN KEY (studio_id, student_id) REFERENCES students (studio_id, id),
        FOREIGN KEY (studio_id, teacher_id) REFERENCES memberships (studio_id, account_id),
        FOREIGN KEY (studio_id, changed_by) REFERENCES memberships (studio_id, account_id)
      );
      -- What is heard and told belongs to a student and a day.
      CREATE UNIQUE INDEX appointments_day ON appointments (studio_id, student_id, day) WHERE NOT left_out;
      CREATE INDEX appointments_days ON appointments (studio_id, day);
      CREATE TRIGGER record_changed_by_insert AFTER INSERT ON appointments
        REFERENCING NEW TABLE AS changed FOR EACH STATEMENT EXECUTE FUNCTION record_changed();
      CREATE TRIGGER record_changed_by_update AFTER UPDATE ON appointments
        REFERENCING NEW TABLE AS changed FOR EACH STATEMENT EXECUTE FUNCTION record_changed();

      -- All lessons a teacher would give on these days are another's.
      CREATE TABLE covers (
        studio_id bigint NOT NULL,
        id bigint GENERATED ALWAYS AS IDENTITY,
        key uuid NOT NULL,
        away_id bigint NOT NULL,
        cover_id bigint NOT NULL CHECK (cover_id <> away_id),
        first_day date NOT NULL CHECK (first_day BETWEEN '1990-01-01' AND '2200-12-31'),
        last_day date NOT NULL CHECK (last_day BETWEEN first_day AND first_day + 120),
        made_by bigint NOT NULL,
        made_at timestamptz NOT NULL DEFAULT clock_timestamp(),
        withdrawn_at timestamptz,
        PRIMARY KEY (studio_id, id),
        UNIQUE (studio_id, key),
        FOREIGN KEY (studio_id, away_id) REFERENCES memberships (studio_id, account_id),
        FOREIGN KEY (studio_id, cover_id) REFERENCES memberships (studio_id, account_id),
        FOREIGN KEY (studio_id, made_by) REFERENCES memberships (studio_id, account_id)
      );
      CREATE INDEX covers_days ON covers (studio_id, first_day, last_day) WHERE withdrawn_at IS NULL;
      -- The student's own teacher has looked through a lesson that another gave.
      ALTER TABLE lessons ADD COLUMN seen_by bigint, ADD COLUMN seen_at timestamptz,
        ADD FOREIGN KEY (studio_id, seen_by) REFERENCES memberships (studio_id, account_id);

      -- Private links to a calendar: a teacher's lessons, or a student's family's.
      CREATE TABLE calendar_links (
        studio_id bigint NOT NULL,
        id bigint GENERATED ALWAYS AS IDENTITY,
        account_id bigint,
        student_id bigint,
        nonce text NOT NULL,
        made_at timestamptz NOT NULL DEFAULT clock_timestamp(),
        withdrawn_at timestamptz,
        PRIMARY KEY (studio_id, id),
        CHECK ((account_id IS NULL) <> (student_id IS NULL)),
        FOREIGN KEY (studio_id, account_id) REFERENCES memberships (studio_id, account_id),
        FOREIGN KEY (studio_id, student_id) REFERENCES students (studio_id, id)
      );
      CREATE UNIQUE INDEX calendar_links_teacher ON calendar_links (studio_id, account_id) WHERE withdrawn_at IS NULL;
      CREATE UNIQUE INDEX calendar_links_student ON calendar_links (studio_id, student_id) WHERE withdrawn_at IS NULL;
    SQL
    tables.each do |table|
      run "CREATE POLICY own_studio ON #{table} USING (studio_id = #{studio}) WITH CHECK (studio_id = #{studio})"
      run "ALTER TABLE #{table} ENABLE ROW LEVEL SECURITY; ALTER TABLE #{table} FORCE ROW LEVEL SECURITY"
    end
    run <<~SQL
      GRANT SELECT, INSERT ON families TO stairwell_app;
      GRANT SELECT, INSERT, UPDATE ON appointments TO stairwell_app;
      GRANT SELECT, INSERT, UPDATE (withdrawn_at) ON covers, calendar_links TO stairwell_app;
    SQL
  end

  down { run <<~SQL }
      DROP TABLE calendar_links, covers, appointments;
      ALTER TABLE lessons DROP COLUMN seen_by, DROP COLUMN seen_at;
      ALTER TABLE students DROP COLUMN lesson_minutes, DROP COLUMN more_lessons, DROP COLUMN contacts, DROP COLUMN paused_on, DROP COLUMN family_id;
      DROP TABLE families;
    SQL
end
