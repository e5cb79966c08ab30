# frozen_string_literal: true

# How the minutes of a day are used: only what is needed, or all of them.
Sequel.migration do
  up do
    run "ALTER TABLE students ADD COLUMN day_use text NOT NULL DEFAULT 'full' CHECK (day_use IN ('light', 'full'))"
  end

  down { run "ALTER TABLE students DROP COLUMN day_use" }
end
