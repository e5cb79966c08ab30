# frozen_string_literal: true

# The day a student came: there are no lessons before it. Of those who were here already it is not
# known, and nothing changes for them.
Sequel.migration { change { alter_table(:students) { add_column :came_on, Date } } }
