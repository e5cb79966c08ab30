# frozen_string_literal: true

# How many rows a student's week has, where the teacher set it; otherwise it goes by age and
# reading.
Sequel.migration do
  up do
    add_column :students, :rows_a_week, :smallint
    alter_table(:students) do
      add_constraint(:rows_a_week_in_bounds) { (rows_a_week >= 1) & (rows_a_week <= 12) }
    end
  end

  down { drop_column :students, :rows_a_week }
end
