# frozen_string_literal: true

# Lessons with their recaps and notes, what is lent, mail that would be sent, how
# a piece ends, and each student's summary for the studio page.
Sequel.migration do
  studio = "nullif(current_setting('stairwell.studio', true), '')::bigint"
  student = "FOREIGN KEY (studio_id, student_id) REFERENCES students (studio_id, id)"
  tables = %w[lessons lendings outbox student_summaries]

  up do
    run <<~SQL
      -- Beside the result: why it did not go and where (bar index), how often it
      -- stumbled, the tempo that was heard, and a note.
      ALTER TABLE lesson_results
        ADD COLUMN cause text CHECK (cause IN ('notes', 'rhythm', 'fingers', 'together', 'stops', 'tempo')),
        ADD COLUMN bar integer CHECK (bar > 0),
        ADD COLUMN stumbles integer CHECK (stumbles BETWEEN 0 AND 999),
        ADD COLUMN tempo integer CHECK (tempo BETWEEN 10 AND 400),
        ADD COLUMN note text CHECK (length(note) <= 500);

      -- Ticks of a paper chart, entered at the lesson.
      ALTER TABLE practice_marks ADD COLUMN entered_by bigint,
        ADD FOREIGN KEY (studio_id, entered_by) REFERENCES memberships (studio_id, account_id);

      ALTER TABLE students
        ADD COLUMN email text CHECK (length(email) <= 200),
        ADD COLUMN terms text CHECK (terms IN ('mixed', 'american', 'british')),
        ADD COLUMN reads boolean NOT NULL DEFAULT true,
        ADD COLUMN instrument text CHECK (length(instrument) <= 120),
        ADD COLUMN known text[] NOT NULL DEFAULT '{}' CHECK (cardinality(known) <= 200);
      ALTER TABLE studios
        ADD COLUMN terms text NOT NULL DEFAULT 'mixed' CHECK (terms IN ('mixed', 'american', 'british')),
        ADD COLUMN caution text CHECK (length(caution) <= 600);
      GRANT UPDATE (terms, caution) ON studios TO stairwell_app;

      -- A piece ends passed, kept ready for a date, or set aside.
      ALTER TABLE assignments
        ADD COLUMN ended text CHECK (ended IN ('passed', 'kept', 'set_aside')),
        ADD COLUMN ended_on date,
        ADD COLUMN keep_for date,
        ADD CHECK ((ended IS NULL) = (ended_on IS NULL)), ADD CHECK (keep_for IS NULL OR ended = 'kept');

      CREATE TABLE lessons (
        studio_id bigint NOT NULL,
        id bigint GENERATED ALWAYS AS IDENTITY,
        student_id bigint NOT NULL,
        day date NOT NULL,
        recap text CHECK (length(recap) <= 6000),
        notes text NOT NULL DEFAULT '' CHECK (length(notes) <= 4000),
        version integer NOT NULL DEFAULT 1,
        opened_by bigint NOT NULL,
        opened_at timestamptz NOT NULL DEFAULT clock_timestamp(),
        finished_by bigint,
        finished_at timestamptz,
        PRIMARY KEY (studio_id, id),
        UNIQUE (studio_id, student_id, day),
        CHECK ((finished_by IS NULL) = (finished_at IS NULL)),
        #{student},
        FOREIGN KEY (studio_id, opened_by) REFERENCES memberships (studio_id, account_id),
        FOREIGN KEY (studio_id, finished_by) REFERENCES memberships (studio_id, account_id)
      );

      CREATE TABLE lendings (
        studio_id bigint NOT NULL,
        id bigint GENERATED ALWAYS AS IDENTITY,
        student_id bigint NOT NULL,
        title text NOT NULL CHECK (length(title) BETWEEN 1 AND 200),
        lent_on date NOT NULL,
        returned_on date CHECK (returned_on >= lent_on),
        PRIMARY KEY (studio_id, id),
        #{student}
      );
      CREATE INDEX lendings_student ON lendings (studio_id, student_id);

      -- Mail as it would be sent; sent where a mail server is configured.
      CREATE TABLE outbox (
        studio_id bigint NOT NULL,
        id bigint GENERATED ALWAYS AS IDENTITY,
        student_id bigint NOT NULL,
        recipient text NOT NULL,
        subject text NOT NULL,
        body text NOT NULL,
        made_by bigint NOT NULL,
        made_at timestamptz NOT NULL DEFAULT clock_timestamp(),
        sent_at timestamptz,
        trouble text,
        PRIMARY KEY (studio_id, id),
        #{student},
        FOREIGN KEY (studio_id, made_by) REFERENCES memberships (studio_id, account_id)
      );

      -- What the studio page shows of a student, computed from the rows; stale as
      -- soon as a row is added.
      CREATE TABLE student_summaries (
        studio_id bigint NOT NULL,
        student_id bigint NOT NULL,
        summary jsonb NOT NULL,
        computed_on date NOT NULL,
        stale boolean NOT NULL DEFAULT false,
        PRIMARY KEY (studio_id, student_id),
        #{student}
      );
    SQL
    tables.each do |table|
      run "CREATE POLICY own_studio ON #{table} USING (studio_id = #{studio}) WITH CHECK (studio_id = #{studio})"
      run "ALTER TABLE #{table} ENABLE ROW LEVEL SECURITY; ALTER TABLE #{table} FORCE ROW LEVEL SECURITY"
      run "GRANT SELECT, INSERT, UPDATE ON #{table} TO stairwell_app"
    end
  end

  down { run <<~SQL }
      DROP TABLE student_summaries, outbox, lendings, lessons;
      ALTER TABLE assignments DROP COLUMN ended, DROP COLUMN ended_on, DROP COLUMN keep_for;
      REVOKE UPDATE (terms, caution) ON studios FROM stairwell_app;
      ALTER TABLE studios DROP COLUMN terms, DROP COLUMN caution;
      ALTER TABLE students DROP COLUMN email, DROP COLUMN terms, DROP COLUMN reads, DROP COLUMN instrument, DROP COLUMN known;
      ALTER TABLE practice_marks DROP COLUMN entered_by;
      ALTER TABLE lesson_results DROP COLUMN cause, DROP COLUMN bar, DROP COLUMN stumbles, DROP COLUMN tempo, DROP COLUMN note;
    SQL
end
