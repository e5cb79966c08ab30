# frozen_string_literal: true

# The routine a class's teacher chose for a unit: whoever chooses a piece later gets it, too.
Sequel.migration do
  change do
    alter_table :units do
      add_column :routine, String, null: false, default: "hand_by_hand"
    end
  end
end
