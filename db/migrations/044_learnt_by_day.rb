# frozen_string_literal: true

# What was learnt of a studio's students today takes effect tomorrow: so a date is the same on every
# page all day, whichever of them was worked out first.
Sequel.migration do
  up { run <<~SQL }
      ALTER TABLE studios
        ADD COLUMN learnt jsonb NOT NULL DEFAULT '{}' CHECK (jsonb_typeof(learnt) = 'object'),
        ADD COLUMN learnt_on date;
      GRANT UPDATE (learnt, learnt_on) ON studios TO stairwell_app;
    SQL

  down { run "ALTER TABLE studios DROP COLUMN learnt_on, DROP COLUMN learnt" }
end
