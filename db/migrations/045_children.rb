# frozen_string_literal: true

# Whether a student is a child is asked, and no longer inferred from how many steps begin on a day.
# Those who were spoken to as children still are.
Sequel.migration do
  up { run <<~SQL }
      ALTER TABLE students ADD COLUMN child boolean NOT NULL DEFAULT false;
      ALTER TABLE students NO FORCE ROW LEVEL SECURITY;
      UPDATE students SET child = introduce_first;
      ALTER TABLE students FORCE ROW LEVEL SECURITY;
    SQL

  down { run "ALTER TABLE students DROP COLUMN child" }
end
