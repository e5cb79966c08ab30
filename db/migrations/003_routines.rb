# frozen_string_literal: true

# What a teacher chooses when giving a piece, beyond the first hand.
Sequel.migration do
  up { run <<~SQL }
      ALTER TABLE assignments ADD COLUMN choices jsonb NOT NULL DEFAULT '{}';
      ALTER TABLE assignments DROP CONSTRAINT assignments_hand_order_check,
        ADD CONSTRAINT assignments_hand_order_check CHECK (hand_order IN ('right', 'left', 'easier', 'harder'));
      ALTER TABLE students DROP CONSTRAINT students_hand_order_check,
        ADD CONSTRAINT students_hand_order_check CHECK (hand_order IN ('right', 'left', 'easier', 'harder'));
    SQL

  down { run <<~SQL }
      ALTER TABLE students DROP CONSTRAINT students_hand_order_check,
        ADD CONSTRAINT students_hand_order_check CHECK (hand_order IN ('right', 'left'));
      ALTER TABLE assignments DROP CONSTRAINT assignments_hand_order_check,
        ADD CONSTRAINT assignments_hand_order_check CHECK (hand_order IN ('right', 'left'));
      ALTER TABLE assignments DROP COLUMN choices;
    SQL
end
