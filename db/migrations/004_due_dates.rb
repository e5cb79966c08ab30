# frozen_string_literal: true

# When a piece is to be ready, where that matters.
Sequel.migration do
  up { run "ALTER TABLE assignments ADD COLUMN due_on date" }
  down { run "ALTER TABLE assignments DROP COLUMN due_on" }
end
