# frozen_string_literal: true

# What hurt, said on the sheet; and taps of what is no step: exercises that begin a day and extra
# work belong to no piece.
Sequel.migration do
  up { run <<~SQL }
      ALTER TABLE practice_marks
        DROP CONSTRAINT practice_marks_kind_check, ADD CONSTRAINT practice_marks_kind_check CHECK (kind IN ('repetition', 'struggle', 'hurts', 'undo')),
        ALTER COLUMN assignment_id DROP NOT NULL, ADD CONSTRAINT practice_marks_beside_check CHECK (assignment_id IS NOT NULL OR kind IN ('repetition', 'undo'));
    SQL

  down { run <<~SQL }
      DELETE FROM practice_marks WHERE assignment_id IS NULL OR kind = 'hurts' OR undoes IN (SELECT key FROM practice_marks WHERE kind = 'hurts');
      ALTER TABLE practice_marks
        DROP CONSTRAINT practice_marks_beside_check, ALTER COLUMN assignment_id SET NOT NULL,
        DROP CONSTRAINT practice_marks_kind_check, ADD CONSTRAINT practice_marks_kind_check CHECK (kind IN ('repetition', 'struggle', 'undo'));
    SQL
end
