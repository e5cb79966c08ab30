# frozen_string_literal: true

# What was changed is told to whoever has a studio open, through the message bus. Its table is made
# here, by its owner: the app may not make any. What lies in it is numbers alone, for an hour.
Sequel.migration do
  up { run <<~SQL }
      CREATE TABLE message_bus (
        id bigserial PRIMARY KEY,
        channel text NOT NULL,
        value text NOT NULL CHECK (octet_length(value) >= 2),
        added_at timestamp NOT NULL DEFAULT CURRENT_TIMESTAMP
      );
      CREATE INDEX message_bus_channel ON message_bus (channel, id);
      CREATE INDEX message_bus_added_at ON message_bus (added_at);
      GRANT SELECT, INSERT, DELETE ON message_bus TO stairwell_app;
      GRANT USAGE ON SEQUENCE message_bus_id_seq TO stairwell_app;
    SQL

  down { run "DROP TABLE message_bus" }
end
