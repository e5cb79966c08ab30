# frozen_string_literal: true

# What the client sends again after an answer that was lost is one row: students and extra
# work have a key of the client's, as marks, results and pieces have.
Sequel.migration do
  up do
    %w[students extra_work].each do |table|
      run "ALTER TABLE #{table} ADD COLUMN key uuid, ADD UNIQUE (studio_id, key)"
    end
  end

  down { %w[students extra_work].each { |table| run "ALTER TABLE #{table} DROP COLUMN key" } }
end
