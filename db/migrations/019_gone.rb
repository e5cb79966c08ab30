# frozen_string_literal: true

# A student who has gone stands in no list and is planned no more; all that was stays, for
# the day they are back.
Sequel.migration do
  up do
    run "ALTER TABLE students ADD COLUMN left_on date CHECK (left_on BETWEEN '1990-01-01' AND '2200-12-31')"
  end
  down { run "ALTER TABLE students DROP COLUMN left_on" }
end
