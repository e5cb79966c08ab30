# frozen_string_literal: true

# The workbench: scripts as typed, layers over the studio's map, what a drill
# showed, and what a hand reaches.
Sequel.migration do
  studio = "nullif(current_setting('stairwell.studio', true), '')::bigint"

  up do
    run <<~SQL
      -- The script as it was typed, with its comments in place; null for a map
      -- that came from a score and was never changed.
      ALTER TABLE map_revisions ADD COLUMN script text;

      -- A teacher's changes for all their students, or one student's own: a
      -- script that lies over the studio's. Every revision is kept.
      CREATE TABLE piece_layers (
        studio_id bigint NOT NULL,
        id bigint GENERATED ALWAYS AS IDENTITY,
        piece_id bigint NOT NULL,
        teacher_id bigint,
        student_id bigint,
        revision integer NOT NULL CHECK (revision > 0),
        script text NOT NULL,
        made_by bigint NOT NULL,
        made_at timestamptz NOT NULL DEFAULT clock_timestamp(),
        PRIMARY KEY (studio_id, id),
        CHECK (num_nonnulls(teacher_id, student_id) = 1),
        UNIQUE NULLS NOT DISTINCT (studio_id, piece_id, teacher_id, student_id, revision),
        FOREIGN KEY (studio_id, piece_id) REFERENCES pieces (studio_id, id),
        FOREIGN KEY (studio_id, teacher_id) REFERENCES memberships (studio_id, account_id),
        FOREIGN KEY (studio_id, student_id) REFERENCES students (studio_id, id),
        FOREIGN KEY (studio_id, made_by) REFERENCES memberships (studio_id, account_id)
      );

      -- "Where next?": what a student answered at each sign, first try.
      CREATE TABLE drill_results (
        studio_id bigint NOT NULL,
        student_id bigint NOT NULL,
        key uuid NOT NULL,
        piece_id bigint NOT NULL,
        day date NOT NULL,
        asked integer NOT NULL CHECK (asked > 0),
        correct integer NOT NULL CHECK (correct BETWEEN 0 AND asked),
        missed integer[] NOT NULL,
        made_by bigint NOT NULL,
        made_at timestamptz NOT NULL DEFAULT clock_timestamp(),
        PRIMARY KEY (studio_id, key),
        FOREIGN KEY (studio_id, student_id) REFERENCES students (studio_id, id),
        FOREIGN KEY (studio_id, piece_id) REFERENCES pieces (studio_id, id),
        FOREIGN KEY (studio_id, made_by) REFERENCES memberships (studio_id, account_id)
      );
      CREATE INDEX drill_results_student ON drill_results (studio_id, student_id, piece_id, made_at);

      -- Semitones one hand reaches, null where nobody measured; and whether the
      -- instrument at home has a pedal.
      ALTER TABLE students
        ADD COLUMN hand_span integer CHECK (hand_span BETWEEN 5 AND 24),
        ADD COLUMN has_pedal boolean NOT NULL DEFAULT true;
    SQL
    %w[piece_layers drill_results].each do |table|
      run "CREATE POLICY own_studio ON #{table} USING (studio_id = #{studio}) WITH CHECK (studio_id = #{studio})"
      run "ALTER TABLE #{table} ENABLE ROW LEVEL SECURITY; ALTER TABLE #{table} FORCE ROW LEVEL SECURITY"
      run "GRANT SELECT, INSERT ON #{table} TO stairwell_app"
    end
  end

  down { run <<~SQL }
      ALTER TABLE students DROP COLUMN has_pedal, DROP COLUMN hand_span;
      DROP TABLE drill_results, piece_layers;
      ALTER TABLE map_revisions DROP COLUMN script;
    SQL
end
