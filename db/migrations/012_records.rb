# frozen_string_literal: true

# A student's record has a version, which grows with every row that is about it: what
# was computed from an older one is neither kept nor shown as new. Taps say when they
# were made, dates that are promised are kept, and tables bear the names of the trade.
Sequel.migration do
  studio = "nullif(current_setting('stairwell.studio', true), '')::bigint"
  # Choices are changed in all studios at once; row-level security would hide them
  # even from an owner who is no superuser.
  choices = ->(names) do
    [
      "ALTER TABLE assignments NO FORCE ROW LEVEL SECURITY",
      *names.map do |was, now|
        "UPDATE assignments SET choices = (choices - '#{was}') || jsonb_build_object('#{now}', choices -> '#{was}') WHERE jsonb_exists(choices, '#{was}')"
      end,
      "ALTER TABLE assignments FORCE ROW LEVEL SECURITY"
    ]
  end
  renamed = {
    "touch_by" => "articulation_by",
    "aim_by" => "target_by",
    "aim_said" => "target_said"
  }
  # Tables about a student, and what changes in them.
  about = {
    practice_marks: %w[INSERT],
    lesson_results: %w[INSERT],
    introductions: %w[INSERT],
    simplifications: %w[INSERT],
    week_plans: %w[INSERT],
    piece_layers: %w[INSERT],
    assignments: %w[INSERT UPDATE],
    week_overrides: %w[INSERT UPDATE],
    extra_work: %w[INSERT UPDATE]
  }

  up do
    run <<~SQL
      ALTER TABLE week_wishes RENAME TO week_overrides;
      ALTER TABLE week_overrides RENAME COLUMN wishes TO overrides;
      ALTER TABLE easings RENAME TO simplifications;
      ALTER TABLE teachings RENAME TO introductions;
      ALTER TABLE introductions RENAME COLUMN taught TO introduced;
      ALTER TABLE student_work RENAME TO extra_work;
      ALTER SEQUENCE student_work_id_seq RENAME TO extra_work_id_seq;
      ALTER TABLE assignments RENAME COLUMN aim TO target_tempo;
      ALTER TABLE assignments RENAME COLUMN gate TO introduce_first;
      ALTER TABLE assignments RENAME COLUMN given_by TO assigned_by;
      ALTER TABLE assignments RENAME COLUMN given_at TO assigned_at;
      ALTER TABLE students RENAME COLUMN gate TO introduce_first;
      ALTER TABLE lesson_results RENAME COLUMN heard_by TO recorded_by;

      -- When a box was tapped, on the phone's clock, also where that was offline.
      ALTER TABLE practice_marks ADD COLUMN tapped_at timestamptz;

      ALTER TABLE students ADD COLUMN record_version bigint NOT NULL DEFAULT 1;

      -- The dates a teacher was shown for a piece, as they were then. Only added to.
      CREATE TABLE promised_dates (
        studio_id bigint NOT NULL,
        id bigint GENERATED ALWAYS AS IDENTITY,
        student_id bigint NOT NULL,
        assignment_id bigint NOT NULL,
        day date NOT NULL,
        planned date,
        likely date,
        cautious date,
        due_on date,
        made_at timestamptz NOT NULL DEFAULT clock_timestamp(),
        PRIMARY KEY (studio_id, id),
        FOREIGN KEY (studio_id, assignment_id, student_id) REFERENCES assignments (studio_id, id, student_id)
      );
      CREATE INDEX promised_dates_assignment ON promised_dates (studio_id, assignment_id, day);
      CREATE POLICY own_studio ON promised_dates USING (studio_id = #{studio}) WITH CHECK (studio_id = #{studio});
      ALTER TABLE promised_dates ENABLE ROW LEVEL SECURITY;
      ALTER TABLE promised_dates FORCE ROW LEVEL SECURITY;
      GRANT SELECT, INSERT ON promised_dates TO stairwell_app;
      GRANT USAGE ON SEQUENCE assignments_id_seq, extra_work_id_seq TO stairwell_app;

      -- A summary is fresh while the record it was made from is.
      TRUNCATE student_summaries;
      ALTER TABLE student_summaries DROP COLUMN stale, ADD COLUMN record_version bigint NOT NULL;

      CREATE FUNCTION record_changed() RETURNS trigger LANGUAGE plpgsql AS $$
      BEGIN
        UPDATE students SET record_version = record_version + 1
        FROM (SELECT DISTINCT studio_id, student_id FROM changed WHERE student_id IS NOT NULL) AS about
        WHERE students.studio_id = about.studio_id AND students.id = about.student_id;
        RETURN NULL;
      END $$;

      -- A student's own settings, and what of the studio's the plan depends on.
      CREATE FUNCTION settings_changed() RETURNS trigger LANGUAGE plpgsql AS $$
      BEGIN
        IF NEW.version <> OLD.version THEN
          NEW.record_version := OLD.record_version + 1;
        END IF;
        RETURN NEW;
      END $$;
      CREATE TRIGGER settings_changed BEFORE UPDATE ON students FOR EACH ROW EXECUTE FUNCTION settings_changed();
      CREATE FUNCTION studio_changed() RETURNS trigger LANGUAGE plpgsql AS $$
      BEGIN
        UPDATE students SET record_version = record_version + 1 WHERE studio_id = NEW.id;
        RETURN NULL;
      END $$;
      CREATE TRIGGER studio_changed AFTER UPDATE ON studios FOR EACH ROW EXECUTE FUNCTION studio_changed();
    SQL
    about.each { |table, events| events.each { |event| run <<~SQL } }
          CREATE TRIGGER record_changed_by_#{event.downcase} AFTER #{event} ON #{table}
            REFERENCING NEW TABLE AS changed FOR EACH STATEMENT EXECUTE FUNCTION record_changed();
        SQL
    choices.call(renamed).each { |sql| run sql }
  end

  down do
    about.each do |table, events|
      events.each { |event| run "DROP TRIGGER record_changed_by_#{event.downcase} ON #{table}" }
    end
    choices.call(renamed.invert).each { |sql| run sql }
    run <<~SQL
      DROP TRIGGER studio_changed ON studios;
      DROP TRIGGER settings_changed ON students;
      DROP FUNCTION studio_changed, settings_changed, record_changed;
      TRUNCATE student_summaries;
      ALTER TABLE student_summaries DROP COLUMN record_version, ADD COLUMN stale boolean NOT NULL DEFAULT false;
      REVOKE USAGE ON SEQUENCE assignments_id_seq, extra_work_id_seq FROM stairwell_app;
      DROP TABLE promised_dates;
      ALTER TABLE students DROP COLUMN record_version;
      ALTER TABLE practice_marks DROP COLUMN tapped_at;
      ALTER TABLE lesson_results RENAME COLUMN recorded_by TO heard_by;
      ALTER TABLE students RENAME COLUMN introduce_first TO gate;
      ALTER TABLE assignments RENAME COLUMN assigned_at TO given_at;
      ALTER TABLE assignments RENAME COLUMN assigned_by TO given_by;
      ALTER TABLE assignments RENAME COLUMN introduce_first TO gate;
      ALTER TABLE assignments RENAME COLUMN target_tempo TO aim;
      ALTER SEQUENCE extra_work_id_seq RENAME TO student_work_id_seq;
      ALTER TABLE extra_work RENAME TO student_work;
      ALTER TABLE introductions RENAME COLUMN introduced TO taught;
      ALTER TABLE introductions RENAME TO teachings;
      ALTER TABLE simplifications RENAME TO easings;
      ALTER TABLE week_overrides RENAME COLUMN overrides TO wishes;
      ALTER TABLE week_overrides RENAME TO week_wishes;
    SQL
  end
end
