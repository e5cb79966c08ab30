# frozen_string_literal: true

# Notes a second that went in pieces that ended, by kind of step: what is new begins there.
Sequel.migration do
  up do
    run "ALTER TABLE students ADD COLUMN held jsonb NOT NULL DEFAULT '{}'"
  end

  down do
    run "ALTER TABLE students DROP COLUMN held"
  end
end
