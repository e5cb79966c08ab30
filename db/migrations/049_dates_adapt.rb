# frozen_string_literal: true

# What the way to promised dates was multiplied with, so that it can be taken out when one looks
# how they came out; and how many new bars a lesson introduces, where the teacher set it.
Sequel.migration do
  up do
    add_column :promised_dates, :stretch, "double precision", null: false, default: 1
    add_column :students, :new_bars, :smallint
    alter_table(:students) do
      add_constraint(:new_bars_in_bounds) { (new_bars >= 1) & (new_bars <= 32) }
    end
  end

  down do
    drop_column :students, :new_bars
    drop_column :promised_dates, :stretch
  end
end
