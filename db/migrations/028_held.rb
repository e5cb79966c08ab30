# frozen_string_literal: true

# Notes a second that went in pieces that ended, by kind of step: what is new begins there.
Sequel.migration do
  up { run "ALTER TABLE students ADD COLUMN held jsonb NOT NULL DEFAULT '{}'" }

  down { run "ALTER TABLE students DROP COLUMN held" }
end
