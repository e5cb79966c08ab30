# frozen_string_literal: true

# An exercise in keys, with the hands in their order: another key each week, or so many semitones
# higher; since when, so that its weeks can be counted.
Sequel.migration do
  up { run <<~SQL }
      ALTER TABLE extra_work
        ADD COLUMN keys text[] NOT NULL DEFAULT '{}' CHECK (cardinality(keys) <= 24),
        ADD COLUMN hands text[] NOT NULL DEFAULT '{}' CHECK (hands <@ ARRAY['right', 'left', 'both'] AND cardinality(hands) <= 3),
        ADD COLUMN higher integer CHECK (higher IS NULL OR (higher BETWEEN 1 AND 11 AND cardinality(keys) = 1)),
        ADD COLUMN since date NOT NULL DEFAULT CURRENT_DATE;
    SQL

  down do
    run "ALTER TABLE extra_work DROP COLUMN higher, DROP COLUMN keys, DROP COLUMN hands, DROP COLUMN since"
  end
end
