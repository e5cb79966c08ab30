# frozen_string_literal: true

# The class a student comes with, by name; none for those who come alone. Who
# wrote last to a lesson, where several teachers do.
Sequel.migration do
  up { run <<~SQL }
      ALTER TABLE students ADD COLUMN class_name text CHECK (class_name = btrim(class_name) AND length(class_name) BETWEEN 1 AND 60);
      ALTER TABLE lessons ADD COLUMN written_by bigint,
        ADD FOREIGN KEY (studio_id, written_by) REFERENCES memberships (studio_id, account_id);
      -- Summaries have another shape from now on; they are made anew.
      TRUNCATE student_summaries;
    SQL

  down do
    run "ALTER TABLE students DROP COLUMN class_name; ALTER TABLE lessons DROP COLUMN written_by"
  end
end
