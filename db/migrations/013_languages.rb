# frozen_string_literal: true

# A studio speaks a language that is a file of texts, and a student may keep another:
# what was one of three usages of English is the tag of one (BCP 47).
Sequel.migration do
  tags = { "mixed" => "en", "american" => "en-US", "british" => "en-GB" }
  # Of all studios at once; row-level security would hide them even from an owner who is
  # no superuser.
  changed = ->(column, pairs) do
    cases = pairs.map { |was, now| "WHEN '#{was}' THEN '#{now}'" }.join(" ")
    %i[studios students].flat_map do |table|
      [
        "ALTER TABLE #{table} NO FORCE ROW LEVEL SECURITY",
        "UPDATE #{table} SET #{column} = CASE #{column} #{cases} ELSE #{column} END",
        "ALTER TABLE #{table} FORCE ROW LEVEL SECURITY"
      ]
    end
  end

  up do
    run <<~SQL
      ALTER TABLE studios DROP CONSTRAINT studios_terms_check, ALTER COLUMN terms DROP DEFAULT;
      ALTER TABLE studios RENAME COLUMN terms TO locale;
      ALTER TABLE students DROP CONSTRAINT students_terms_check;
      ALTER TABLE students RENAME COLUMN terms TO locale;
    SQL
    changed.call(:locale, tags).each { |statement| run statement }
    run <<~SQL
      ALTER TABLE studios ALTER COLUMN locale SET DEFAULT 'en', ADD CHECK (locale ~ '^[a-z]{2,3}(-[A-Za-z0-9]{1,8})*$');
      ALTER TABLE students ADD CHECK (locale ~ '^[a-z]{2,3}(-[A-Za-z0-9]{1,8})*$');
    SQL
  end

  down do
    run <<~SQL
      ALTER TABLE studios DROP CONSTRAINT studios_locale_check, ALTER COLUMN locale DROP DEFAULT;
      ALTER TABLE studios RENAME COLUMN locale TO terms;
      ALTER TABLE students DROP CONSTRAINT students_locale_check;
      ALTER TABLE students RENAME COLUMN locale TO terms;
    SQL
    changed.call(:terms, tags.invert).each { |statement| run statement }
    run <<~SQL
      UPDATE students SET terms = NULL WHERE terms NOT IN ('mixed', 'american', 'british');
      UPDATE studios SET terms = 'mixed' WHERE terms NOT IN ('mixed', 'american', 'british');
      ALTER TABLE studios ALTER COLUMN terms SET DEFAULT 'mixed', ADD CONSTRAINT studios_terms_check CHECK (terms IN ('mixed', 'american', 'british'));
      ALTER TABLE students ADD CONSTRAINT students_terms_check CHECK (terms IN ('mixed', 'american', 'british'));
    SQL
  end
end
