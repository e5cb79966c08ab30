# frozen_string_literal: true

# How one counts with a student: within the bar, each note by its length, or in syllables.
Sequel.migration do
  up do
    run "ALTER TABLE students ADD COLUMN counting text NOT NULL DEFAULT 'bar' CHECK (counting IN ('bar', 'length', 'syllables'))"
  end

  down { run "ALTER TABLE students DROP COLUMN counting" }
end
