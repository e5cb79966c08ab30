# frozen_string_literal: true

# A guardian's consent, and how long what is kept of one who has left is kept. What ends by itself
# is noted as nobody's.
Sequel.migration do
  up { run <<~SQL }
      ALTER TABLE studios ADD COLUMN asks_consent boolean NOT NULL DEFAULT false,
        ADD COLUMN keep_months integer CHECK (keep_months BETWEEN 1 AND 600);
      ALTER TABLE students ADD COLUMN consent_by text NOT NULL DEFAULT '' CHECK (length(consent_by) <= 200),
        ADD COLUMN consent_records_on date,
        ADD COLUMN consent_recordings_on date,
        ADD COLUMN longer_until date,
        ADD COLUMN erasing_told_on date;
      GRANT UPDATE (asks_consent, keep_months) ON studios TO stairwell_app;
      ALTER TABLE history ALTER COLUMN account_id DROP NOT NULL;
    SQL

  down { run <<~SQL }
      ALTER TABLE students DROP COLUMN consent_by, DROP COLUMN consent_records_on, DROP COLUMN consent_recordings_on, DROP COLUMN longer_until, DROP COLUMN erasing_told_on;
      ALTER TABLE studios DROP COLUMN asks_consent, DROP COLUMN keep_months;
    SQL
end
