# frozen_string_literal: true

# The teacher's hand on the week; what is taught at lessons; how steps that did
# not go are made smaller; work beside the pieces; holidays.
Sequel.migration do
  studio = "nullif(current_setting('stairwell.studio', true), '')::bigint"
  student = "FOREIGN KEY (studio_id, student_id) REFERENCES students (studio_id, id)"
  given =
    "FOREIGN KEY (studio_id, assignment_id, student_id) REFERENCES assignments (studio_id, id, student_id)"
  by = "FOREIGN KEY (studio_id, made_by) REFERENCES memberships (studio_id, account_id)"
  only_added = %w[teachings easings]
  changed = %w[week_wishes student_work]

  up do
    run <<~SQL
      -- A section opens for this student only once it was taught; minutes by
      -- weekday where they differ, {"6": 30}; how notes are named.
      ALTER TABLE students
        ADD COLUMN gate boolean NOT NULL DEFAULT false,
        ADD COLUMN minutes_by_day jsonb NOT NULL DEFAULT '{}' CHECK (jsonb_typeof(minutes_by_day) = 'object'),
        ADD COLUMN note_names text NOT NULL DEFAULT 'letters' CHECK (note_names IN ('letters', 'fixed_do')),
        DROP CONSTRAINT students_warm_ups_check,
        ADD CONSTRAINT students_warm_ups_check CHECK (warm_ups IN ('none', 'five_finger', 'scale', 'scale_and_chords', 'progression'));
      UPDATE students SET gate = true WHERE begin_per_day <= 2;

      -- Days without lessons and practice, as stretches of dates.
      ALTER TABLE studios ADD COLUMN holidays jsonb NOT NULL DEFAULT '[]'
        CHECK (jsonb_typeof(holidays) = 'array' AND jsonb_array_length(holidays) <= 40);
      GRANT UPDATE (holidays) ON studios TO stairwell_app;

      ALTER TABLE assignments
        ADD COLUMN gate boolean NOT NULL DEFAULT false,
        ADD COLUMN priority integer NOT NULL DEFAULT 0 CHECK (priority BETWEEN -1 AND 1);

      -- What the teacher decided about the week that ends with a lesson.
      CREATE TABLE week_wishes (
        studio_id bigint NOT NULL,
        student_id bigint NOT NULL,
        next_lesson date NOT NULL,
        wishes jsonb NOT NULL CHECK (jsonb_typeof(wishes) = 'array' AND jsonb_array_length(wishes) <= 200),
        version integer NOT NULL DEFAULT 1,
        PRIMARY KEY (studio_id, student_id, next_lesson),
        #{student}
      );

      -- A section (or a stage) shown at a lesson, or taken back: only added to.
      CREATE TABLE teachings (
        studio_id bigint NOT NULL,
        student_id bigint NOT NULL,
        key uuid NOT NULL,
        assignment_id bigint NOT NULL,
        what text NOT NULL CHECK (length(what) BETWEEN 1 AND 40),
        taught boolean NOT NULL,
        day date NOT NULL,
        made_by bigint NOT NULL,
        made_at timestamptz NOT NULL DEFAULT clock_timestamp(),
        PRIMARY KEY (studio_id, key), #{given}, #{by}
      );
      CREATE INDEX teachings_student ON teachings (studio_id, student_id);

      -- Which easier form comes before a step that did not go; none where the
      -- teacher wants the step as it is. Only added to.
      CREATE TABLE easings (
        studio_id bigint NOT NULL,
        student_id bigint NOT NULL,
        key uuid NOT NULL,
        assignment_id bigint NOT NULL,
        step_id text NOT NULL CHECK (length(step_id) BETWEEN 1 AND 120),
        form text NOT NULL CHECK (form IN ('none', 'slower', 'fewer', 'right', 'left', 'first_half', 'second_half', 'bar')),
        bar integer CHECK (bar > 0),
        made_by bigint NOT NULL,
        made_at timestamptz NOT NULL DEFAULT clock_timestamp(),
        PRIMARY KEY (studio_id, key), #{given}, #{by}
      );
      CREATE INDEX easings_student ON easings (studio_id, student_id);

      -- The teacher's own exercises, which begin every day, and other work that
      -- comes so many times a week.
      CREATE TABLE student_work (
        studio_id bigint NOT NULL,
        id bigint GENERATED ALWAYS AS IDENTITY,
        student_id bigint NOT NULL,
        kind text NOT NULL CHECK (kind IN ('exercise', 'sight_reading', 'transposing', 'harmonising', 'theory', 'listening', 'ensemble', 'other')),
        title text NOT NULL CHECK (length(title) BETWEEN 1 AND 120),
        minutes numeric(4, 1) NOT NULL CHECK (minutes BETWEEN 0.5 AND 120 AND minutes * 2 = trunc(minutes * 2)),
        times integer NOT NULL CHECK (times BETWEEN 1 AND 7),
        one_of text[] NOT NULL DEFAULT '{}' CHECK (cardinality(one_of) <= 8),
        ended_on date,
        PRIMARY KEY (studio_id, id),
        #{student}
      );
      CREATE INDEX student_work_student ON student_work (studio_id, student_id);
    SQL
    (only_added + changed).each do |table|
      run "CREATE POLICY own_studio ON #{table} USING (studio_id = #{studio}) WITH CHECK (studio_id = #{studio})"
      run "ALTER TABLE #{table} ENABLE ROW LEVEL SECURITY; ALTER TABLE #{table} FORCE ROW LEVEL SECURITY"
    end
    run "GRANT SELECT, INSERT ON #{only_added.join(", ")} TO stairwell_app"
    run "GRANT SELECT, INSERT, UPDATE ON #{changed.join(", ")} TO stairwell_app"
  end

  down { run <<~SQL }
      DROP TABLE student_work, easings, teachings, week_wishes;
      ALTER TABLE assignments DROP COLUMN gate, DROP COLUMN priority;
      REVOKE UPDATE (holidays) ON studios FROM stairwell_app;
      ALTER TABLE studios DROP COLUMN holidays;
      UPDATE students SET warm_ups = 'none' WHERE warm_ups = 'progression';
      ALTER TABLE students DROP COLUMN gate, DROP COLUMN minutes_by_day, DROP COLUMN note_names,
        DROP CONSTRAINT students_warm_ups_check,
        ADD CONSTRAINT students_warm_ups_check CHECK (warm_ups IN ('none', 'five_finger', 'scale', 'scale_and_chords'));
    SQL
end
