# frozen_string_literal: true

# The usual chart: everything in hand on every day, with fewer repetitions where the day is
# short. How many were asked for is kept with each tap, for it says what made a good day.
Sequel.migration do
  up { run <<~SQL }
      ALTER TABLE students DROP CONSTRAINT students_day_use_check, ADD CONSTRAINT students_day_use_check CHECK (day_use IN ('light', 'full', 'flat'));
      ALTER TABLE practice_marks ADD COLUMN asked integer CHECK (asked BETWEEN 1 AND 60);
    SQL

  down { run <<~SQL }
      ALTER TABLE practice_marks DROP COLUMN asked;
      UPDATE students SET day_use = 'full' WHERE day_use = 'flat';
      ALTER TABLE students DROP CONSTRAINT students_day_use_check, ADD CONSTRAINT students_day_use_check CHECK (day_use IN ('light', 'full'));
    SQL
end
