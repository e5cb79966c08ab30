# frozen_string_literal: true

# Days on which a student does not practise, as stretches of dates, both ends
# included: [{"from": "2027-04-01", "to": "2027-04-07"}].
Sequel.migration do
  up do
    run "ALTER TABLE students ADD COLUMN absent jsonb NOT NULL DEFAULT '[]' " \
          "CHECK (jsonb_typeof(absent) = 'array' AND jsonb_array_length(absent) <= 20)"
  end
  down { run "ALTER TABLE students DROP COLUMN absent" }
end
