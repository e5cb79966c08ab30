# frozen_string_literal: true

# Classes with members, a teacher, a weekly hour and units, which are judged by criteria.
# Until now a class was a name that students have; the name stays what tells one.
Sequel.migration do
  studio = "nullif(current_setting('stairwell.studio', true), '')::bigint"
  tables = %w[classes criteria_sets units unit_members criterion_marks]
  # Row-level security would hide the students even from an owner who is no superuser.
  seen = ->(force) { run "ALTER TABLE students #{force} ROW LEVEL SECURITY" }

  up do
    run <<~SQL
      CREATE TABLE classes (
        studio_id bigint NOT NULL REFERENCES studios,
        id bigint GENERATED ALWAYS AS IDENTITY,
        key uuid,
        name text NOT NULL CHECK (name = btrim(name) AND length(name) BETWEEN 1 AND 60),
        teacher_id bigint NOT NULL,
        weekday integer NOT NULL CHECK (weekday BETWEEN 0 AND 6),
        time time NOT NULL,
        minutes integer NOT NULL DEFAULT 60 CHECK (minutes BETWEEN 5 AND 240),
        version integer NOT NULL DEFAULT 1,
        PRIMARY KEY (studio_id, id),
        UNIQUE (studio_id, name),
        UNIQUE (studio_id, key),
        FOREIGN KEY (studio_id, teacher_id) REFERENCES memberships (studio_id, account_id)
      );
    SQL
    instance_exec("NO FORCE", &seen)
    run <<~SQL
      INSERT INTO classes (studio_id, name, teacher_id, weekday, time)
        SELECT studio_id, class_name, mode() WITHIN GROUP (ORDER BY teacher_id), mode() WITHIN GROUP (ORDER BY lesson_weekday), mode() WITHIN GROUP (ORDER BY lesson_time)
        FROM students WHERE class_name IS NOT NULL GROUP BY studio_id, class_name;
      ALTER TABLE students ADD FOREIGN KEY (studio_id, class_name) REFERENCES classes (studio_id, name) ON UPDATE CASCADE;
    SQL
    instance_exec("FORCE", &seen)
    run <<~SQL
      -- Criteria kept for reuse: [{key, name, levels: [text]}], the lowest level first.
      CREATE TABLE criteria_sets (
        studio_id bigint NOT NULL REFERENCES studios,
        id bigint GENERATED ALWAYS AS IDENTITY,
        name text NOT NULL CHECK (length(name) BETWEEN 1 AND 60),
        criteria jsonb NOT NULL CHECK (jsonb_typeof(criteria) = 'array'),
        made_by bigint NOT NULL,
        made_at timestamptz NOT NULL DEFAULT clock_timestamp(),
        PRIMARY KEY (studio_id, id),
        UNIQUE (studio_id, name),
        FOREIGN KEY (studio_id, made_by) REFERENCES memberships (studio_id, account_id)
      );
      -- What a class works toward, due on a day and hour: one piece, one of several, or an
      -- exercise (no piece, minutes a day).
      CREATE TABLE units (
        studio_id bigint NOT NULL,
        id bigint GENERATED ALWAYS AS IDENTITY,
        class_id bigint NOT NULL,
        key uuid NOT NULL,
        title text NOT NULL CHECK (length(title) BETWEEN 1 AND 120),
        piece_ids bigint[] NOT NULL DEFAULT '{}' CHECK (cardinality(piece_ids) <= 12),
        minutes numeric(4, 1) CHECK (minutes BETWEEN 0.5 AND 120),
        due_on date NOT NULL CHECK (due_on BETWEEN '1990-01-01' AND '2200-12-31'),
        due_time time NOT NULL,
        criteria jsonb NOT NULL CHECK (jsonb_typeof(criteria) = 'array'),
        made_by bigint NOT NULL,
        made_at timestamptz NOT NULL DEFAULT clock_timestamp(),
        ended_at timestamptz,
        PRIMARY KEY (studio_id, id),
        UNIQUE (studio_id, key),
        CHECK ((cardinality(piece_ids) = 0) = (minutes IS NOT NULL)),
        FOREIGN KEY (studio_id, class_id) REFERENCES classes (studio_id, id),
        FOREIGN KEY (studio_id, made_by) REFERENCES memberships (studio_id, account_id)
      );
      CREATE INDEX units_class ON units (studio_id, class_id);
      -- What each member has of it.
      CREATE TABLE unit_members (
        studio_id bigint NOT NULL,
        unit_id bigint NOT NULL,
        student_id bigint NOT NULL,
        assignment_id bigint,
        extra_work_id bigint,
        PRIMARY KEY (studio_id, unit_id, student_id),
        FOREIGN KEY (studio_id, unit_id) REFERENCES units (studio_id, id),
        FOREIGN KEY (studio_id, student_id) REFERENCES students (studio_id, id),
        FOREIGN KEY (studio_id, assignment_id, student_id) REFERENCES assignments (studio_id, id, student_id)
      );
      -- What was judged is only added to; the last word of a criterion counts.
      CREATE TABLE criterion_marks (
        studio_id bigint NOT NULL,
        key uuid NOT NULL,
        unit_id bigint NOT NULL,
        student_id bigint NOT NULL,
        criterion text NOT NULL CHECK (length(criterion) BETWEEN 1 AND 40),
        level integer CHECK (level BETWEEN 1 AND 9),
        day date NOT NULL,
        recorded_by bigint NOT NULL,
        made_at timestamptz NOT NULL DEFAULT clock_timestamp(),
        PRIMARY KEY (studio_id, key),
        FOREIGN KEY (studio_id, unit_id, student_id) REFERENCES unit_members (studio_id, unit_id, student_id),
        FOREIGN KEY (studio_id, recorded_by) REFERENCES memberships (studio_id, account_id)
      );
      CREATE INDEX criterion_marks_unit ON criterion_marks (studio_id, unit_id, student_id, criterion, made_at);
    SQL
    tables.each do |table|
      run "CREATE POLICY own_studio ON #{table} USING (studio_id = #{studio}) WITH CHECK (studio_id = #{studio})"
      run "ALTER TABLE #{table} ENABLE ROW LEVEL SECURITY; ALTER TABLE #{table} FORCE ROW LEVEL SECURITY"
    end
    run <<~SQL
      GRANT SELECT, INSERT, UPDATE ON classes, criteria_sets, units, unit_members TO stairwell_app;
      GRANT SELECT, INSERT ON criterion_marks TO stairwell_app;
      -- Summaries say of which assignment they speak from now on; they are made anew.
      TRUNCATE student_summaries;
    SQL
  end

  down { run <<~SQL }
      DROP TABLE criterion_marks, unit_members, units, criteria_sets;
      ALTER TABLE students DROP CONSTRAINT students_studio_id_class_name_fkey;
      DROP TABLE classes;
    SQL
end
