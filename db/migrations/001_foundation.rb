# frozen_string_literal: true

# The foundation: people, studios, pieces, students, and what happened. Every
# table that holds a studio's data has studio_id first in its keys, and
# row-level security keeps studios apart even from the app's own mistakes: the
# app sets the studio for each transaction; with none set there are no rows.
Sequel.migration do
  studio = "nullif(current_setting('stairwell.studio', true), '')::bigint"
  account = "nullif(current_setting('stairwell.account', true), '')::bigint"

  up do
    run <<~SQL
      -- People who sign in. Not a studio's: a person belongs to studios
      -- through memberships.
      CREATE TABLE accounts (
        id bigint GENERATED ALWAYS AS IDENTITY PRIMARY KEY,
        email text NOT NULL,
        name text NOT NULL CHECK (length(name) BETWEEN 1 AND 80),
        status_id integer NOT NULL DEFAULT 2 -- 2 is open, as Rodauth has it
      );
      CREATE UNIQUE INDEX accounts_email ON accounts (lower(email));
      CREATE TABLE account_password_hashes (
        id bigint PRIMARY KEY REFERENCES accounts, password_hash text NOT NULL
      );
      CREATE TABLE account_login_failures (
        id bigint PRIMARY KEY REFERENCES accounts, number integer NOT NULL DEFAULT 1
      );
      CREATE TABLE account_lockouts (
        id bigint PRIMARY KEY REFERENCES accounts, key text NOT NULL,
        deadline timestamptz NOT NULL, email_last_sent timestamptz
      );
      CREATE TABLE account_remember_keys (
        id bigint PRIMARY KEY REFERENCES accounts, key text NOT NULL, deadline timestamptz NOT NULL
      );

      CREATE TABLE studios (
        id bigint GENERATED ALWAYS AS IDENTITY PRIMARY KEY,
        name text NOT NULL CHECK (length(name) BETWEEN 1 AND 120),
        time_zone text NOT NULL
      );
      CREATE TABLE memberships (
        studio_id bigint NOT NULL REFERENCES studios,
        account_id bigint NOT NULL REFERENCES accounts,
        role text NOT NULL CHECK (role IN ('owner', 'teacher')),
        PRIMARY KEY (studio_id, account_id)
      );
      CREATE INDEX memberships_account ON memberships (account_id);

      CREATE TABLE students (
        studio_id bigint NOT NULL REFERENCES studios,
        id bigint GENERATED ALWAYS AS IDENTITY,
        teacher_id bigint NOT NULL,
        name text NOT NULL CHECK (length(name) BETWEEN 1 AND 60),
        practice_days integer[] NOT NULL
          CHECK (cardinality(practice_days) BETWEEN 1 AND 7 AND practice_days <@ ARRAY[0,1,2,3,4,5,6]),
        minutes_a_day integer NOT NULL CHECK (minutes_a_day BETWEEN 5 AND 240),
        begin_per_day integer NOT NULL CHECK (begin_per_day BETWEEN 1 AND 10),
        lesson_weekday integer NOT NULL CHECK (lesson_weekday BETWEEN 0 AND 6),
        lesson_time time NOT NULL,
        hand_order text NOT NULL CHECK (hand_order IN ('right', 'left')),
        version integer NOT NULL DEFAULT 1,
        made_at timestamptz NOT NULL DEFAULT now(),
        PRIMARY KEY (studio_id, id),
        FOREIGN KEY (studio_id, teacher_id) REFERENCES memberships (studio_id, account_id)
      );

      CREATE TABLE pieces (
        studio_id bigint NOT NULL REFERENCES studios,
        id bigint GENERATED ALWAYS AS IDENTITY,
        title text NOT NULL CHECK (length(title) BETWEEN 1 AND 200),
        book text,
        revision integer NOT NULL DEFAULT 1,
        made_at timestamptz NOT NULL DEFAULT now(),
        PRIMARY KEY (studio_id, id)
      );
      -- A map is one JSON document (stairwell-map/1); every revision is kept.
      CREATE TABLE map_revisions (
        studio_id bigint NOT NULL,
        piece_id bigint NOT NULL,
        revision integer NOT NULL CHECK (revision > 0),
        map jsonb NOT NULL CHECK (map ->> 'schema' = 'stairwell-map/1'),
        made_by bigint NOT NULL,
        made_at timestamptz NOT NULL DEFAULT now(),
        PRIMARY KEY (studio_id, piece_id, revision),
        FOREIGN KEY (studio_id, piece_id) REFERENCES pieces (studio_id, id),
        FOREIGN KEY (studio_id, made_by) REFERENCES memberships (studio_id, account_id)
      );
      -- The score as it was loaded, byte for byte.
      CREATE TABLE score_files (
        studio_id bigint NOT NULL,
        piece_id bigint NOT NULL,
        name text NOT NULL CHECK (length(name) BETWEEN 1 AND 255),
        content bytea NOT NULL,
        PRIMARY KEY (studio_id, piece_id),
        FOREIGN KEY (studio_id, piece_id) REFERENCES pieces (studio_id, id)
      );

      -- A student's piece: the revision it was made from, the teacher's
      -- choices, and the steps these gave.
      CREATE TABLE assignments (
        studio_id bigint NOT NULL,
        id bigint GENERATED ALWAYS AS IDENTITY,
        student_id bigint NOT NULL,
        piece_id bigint NOT NULL,
        revision integer NOT NULL,
        routine text NOT NULL,
        hand_order text NOT NULL CHECK (hand_order IN ('right', 'left')),
        aim integer NOT NULL CHECK (aim BETWEEN 20 AND 400),
        steps jsonb NOT NULL,
        given_by bigint NOT NULL,
        given_at timestamptz NOT NULL DEFAULT now(),
        PRIMARY KEY (studio_id, id),
        UNIQUE (studio_id, student_id, piece_id),
        UNIQUE (studio_id, id, student_id),
        FOREIGN KEY (studio_id, student_id) REFERENCES students (studio_id, id),
        FOREIGN KEY (studio_id, piece_id, revision) REFERENCES map_revisions (studio_id, piece_id, revision),
        FOREIGN KEY (studio_id, given_by) REFERENCES memberships (studio_id, account_id)
      );

      -- What happened is only added to. The key comes from the client: the
      -- same mark sent twice is one row.
      CREATE TABLE practice_marks (
        studio_id bigint NOT NULL,
        student_id bigint NOT NULL,
        key uuid NOT NULL,
        assignment_id bigint NOT NULL,
        step_id text NOT NULL CHECK (length(step_id) BETWEEN 1 AND 120),
        day date NOT NULL,
        kind text NOT NULL CHECK (kind IN ('repetition', 'struggle', 'undo')),
        undoes uuid CHECK ((kind = 'undo') = (undoes IS NOT NULL)),
        made_at timestamptz NOT NULL DEFAULT clock_timestamp(),
        PRIMARY KEY (studio_id, key),
        FOREIGN KEY (studio_id, assignment_id, student_id) REFERENCES assignments (studio_id, id, student_id)
      );
      CREATE INDEX practice_marks_student ON practice_marks (studio_id, student_id, day);
      CREATE TABLE lesson_results (
        studio_id bigint NOT NULL,
        student_id bigint NOT NULL,
        key uuid NOT NULL,
        assignment_id bigint NOT NULL,
        step_id text NOT NULL CHECK (length(step_id) BETWEEN 1 AND 120),
        day date NOT NULL,
        result text NOT NULL CHECK (result IN ('not_heard', 'not_yet', 'shaky', 'steady', 'secure')),
        heard_by bigint NOT NULL,
        made_at timestamptz NOT NULL DEFAULT clock_timestamp(),
        PRIMARY KEY (studio_id, key),
        FOREIGN KEY (studio_id, assignment_id, student_id) REFERENCES assignments (studio_id, id, student_id),
        FOREIGN KEY (studio_id, heard_by) REFERENCES memberships (studio_id, account_id)
      );
      CREATE INDEX lesson_results_student ON lesson_results (studio_id, student_id, day);
      -- A week as it was planned; a new plan is a new row.
      CREATE TABLE week_plans (
        studio_id bigint NOT NULL,
        id bigint GENERATED ALWAYS AS IDENTITY,
        student_id bigint NOT NULL,
        starts date NOT NULL,
        next_lesson date NOT NULL CHECK (next_lesson > starts),
        plan jsonb NOT NULL,
        made_at timestamptz NOT NULL DEFAULT clock_timestamp(),
        PRIMARY KEY (studio_id, id),
        FOREIGN KEY (studio_id, student_id) REFERENCES students (studio_id, id)
      );
      CREATE INDEX week_plans_student ON week_plans (studio_id, student_id, starts, id);

      -- Private links to one student's sheet. The link itself is signed, so
      -- that reading this table opens no sheet.
      CREATE TABLE sheet_links (
        studio_id bigint NOT NULL,
        id bigint GENERATED ALWAYS AS IDENTITY,
        student_id bigint NOT NULL,
        nonce text NOT NULL,
        made_at timestamptz NOT NULL DEFAULT now(),
        withdrawn_at timestamptz,
        PRIMARY KEY (studio_id, id),
        FOREIGN KEY (studio_id, student_id) REFERENCES students (studio_id, id)
      );
      CREATE UNIQUE INDEX sheet_links_live ON sheet_links (studio_id, student_id) WHERE withdrawn_at IS NULL;

      -- Counters of the rate limits; worth nothing after a crash.
      CREATE UNLOGGED TABLE rate_counts (
        key text PRIMARY KEY, count integer NOT NULL, expires_at timestamptz NOT NULL
      );
    SQL

    own = %w[
      students
      pieces
      map_revisions
      score_files
      assignments
      practice_marks
      lesson_results
      week_plans
      sheet_links
    ]
    own.each do |table|
      run "CREATE POLICY own_studio ON #{table} USING (studio_id = #{studio}) WITH CHECK (studio_id = #{studio})"
    end
    run "CREATE POLICY own_studio ON studios USING (id = #{studio}) WITH CHECK (id = #{studio})"
    # A person who signs in must see where they belong before a studio is set.
    run <<~SQL
      CREATE POLICY own_studio ON memberships
        USING (studio_id = #{studio} OR account_id = #{account}) WITH CHECK (studio_id = #{studio})
    SQL
    (own + %w[studios memberships]).each do |table|
      run "ALTER TABLE #{table} ENABLE ROW LEVEL SECURITY; ALTER TABLE #{table} FORCE ROW LEVEL SECURITY"
    end

    only_added = %w[map_revisions score_files practice_marks lesson_results week_plans]
    run "GRANT USAGE ON SCHEMA public TO stairwell_app"
    run "GRANT USAGE ON SEQUENCE studios_id_seq TO stairwell_app"
    run "GRANT SELECT, INSERT ON #{only_added.join(", ")}, memberships, studios TO stairwell_app"
    run "GRANT SELECT, INSERT, UPDATE ON students, pieces, assignments, sheet_links, accounts TO stairwell_app"
    run <<~SQL
      GRANT SELECT, INSERT, UPDATE, DELETE ON account_password_hashes, account_login_failures, account_lockouts,
        account_remember_keys, rate_counts TO stairwell_app
    SQL
  end

  down { run <<~SQL }
      DROP TABLE rate_counts, sheet_links, week_plans, lesson_results, practice_marks, assignments, score_files,
        map_revisions, pieces, students, memberships, studios, account_remember_keys, account_lockouts,
        account_login_failures, account_password_hashes, accounts
    SQL
end
