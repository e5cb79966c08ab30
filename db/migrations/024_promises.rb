# frozen_string_literal: true

# What was seen of a studio's students, from which one nobody knows yet starts, and how often
# the dates that were promised have held. Both follow from the records and change none.
Sequel.migration do
  up { run <<~SQL }
      ALTER TABLE studios
        ADD COLUMN seen jsonb NOT NULL DEFAULT '{}' CHECK (jsonb_typeof(seen) = 'object'),
        ADD COLUMN promises jsonb NOT NULL DEFAULT '{}' CHECK (jsonb_typeof(promises) = 'object');
      DROP TRIGGER studio_changed ON studios;
      CREATE TRIGGER studio_changed AFTER UPDATE OF name, time_zone, locale, holidays, caution ON studios FOR EACH ROW EXECUTE FUNCTION studio_changed();
      GRANT UPDATE (seen, promises) ON studios TO stairwell_app;
    SQL

  down { run <<~SQL }
      REVOKE UPDATE (seen, promises) ON studios FROM stairwell_app;
      DROP TRIGGER studio_changed ON studios;
      CREATE TRIGGER studio_changed AFTER UPDATE ON studios FOR EACH ROW EXECUTE FUNCTION studio_changed();
      ALTER TABLE studios DROP COLUMN seen, DROP COLUMN promises;
    SQL
end
