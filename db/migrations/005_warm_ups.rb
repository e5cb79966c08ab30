# frozen_string_literal: true

# What begins a student's every day.
Sequel.migration do
  up do
    run "ALTER TABLE students ADD COLUMN warm_ups text NOT NULL DEFAULT 'none' " \
          "CHECK (warm_ups IN ('none', 'five_finger', 'scale', 'scale_and_chords'))"
  end
  down { run "ALTER TABLE students DROP COLUMN warm_ups" }
end
