# frozen_string_literal: true

# A class that ended stands in no list; its units and what was judged stay.
Sequel.migration do
  up do
    run "ALTER TABLE classes ADD COLUMN ended_on date CHECK (ended_on BETWEEN '1990-01-01' AND '2200-12-31')"
  end
  down { run "ALTER TABLE classes DROP COLUMN ended_on" }
end
