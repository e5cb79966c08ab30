# frozen_string_literal: true

# What a piece in hand was before its page was taken over, so that it can be taken back; and of
# which revision a score is, since another one can be loaded for a piece.
Sequel.migration do
  up { run <<~SQL }
      ALTER TABLE assignments ADD COLUMN former jsonb;
      ALTER TABLE score_files ADD COLUMN revision integer NOT NULL DEFAULT 1;
      ALTER TABLE score_files DROP CONSTRAINT score_files_pkey, ADD PRIMARY KEY (studio_id, piece_id, revision);
      GRANT UPDATE (piece_id) ON drill_results TO stairwell_app;
    SQL

  down { run <<~SQL }
      REVOKE UPDATE (piece_id) ON drill_results FROM stairwell_app;
      DELETE FROM score_files WHERE revision <> 1;
      ALTER TABLE score_files DROP CONSTRAINT score_files_pkey, DROP COLUMN revision, ADD PRIMARY KEY (studio_id, piece_id);
      ALTER TABLE assignments DROP COLUMN former;
    SQL
end
