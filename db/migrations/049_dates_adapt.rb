# frozen_string_literal: true

# What the way to promised dates was multiplied with, so that it can be taken out when one looks
# how they came out.
Sequel.migration do
  up { add_column :promised_dates, :stretch, "double precision", null: false, default: 1 }

  down { drop_column :promised_dates, :stretch }
end
