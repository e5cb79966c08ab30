# frozen_string_literal: true

# What a page gives is computed when it is kept, so that lists never compute; and a piece
# can be deleted, and taken back.
Sequel.migration do
  studio = "nullif(current_setting('stairwell.studio', true), '')::bigint"

  up { run <<~SQL }
      ALTER TABLE pieces ADD COLUMN deleted_at timestamptz, ADD COLUMN deleted_by bigint,
        ADD CHECK ((deleted_at IS NULL) = (deleted_by IS NULL)),
        ADD FOREIGN KEY (studio_id, deleted_by) REFERENCES memberships (studio_id, account_id);
      -- From the client that made it: sent twice it is one piece.
      ALTER TABLE pieces ADD COLUMN key uuid, ADD UNIQUE (studio_id, key);

      -- Of a piece's newest revision: its figures, and its page as JSON in one language.
      -- made_with tells which version of the app made them.
      CREATE TABLE piece_figures (
        studio_id bigint NOT NULL,
        piece_id bigint NOT NULL,
        revision integer NOT NULL,
        pages integer[] NOT NULL,
        bars_printed integer NOT NULL,
        bars_played integer NOT NULL,
        new_bars integer NOT NULL,
        target_tempo integer NOT NULL,
        sections text[] NOT NULL,
        meters text[] NOT NULL,
        keys text[] NOT NULL,
        page text NOT NULL,
        locale text NOT NULL,
        made_with text NOT NULL,
        PRIMARY KEY (studio_id, piece_id),
        FOREIGN KEY (studio_id, piece_id, revision) REFERENCES map_revisions (studio_id, piece_id, revision)
      );
      CREATE POLICY own_studio ON piece_figures USING (studio_id = #{studio}) WITH CHECK (studio_id = #{studio});
      ALTER TABLE piece_figures ENABLE ROW LEVEL SECURITY;
      ALTER TABLE piece_figures FORCE ROW LEVEL SECURITY;
      GRANT SELECT, INSERT, UPDATE ON piece_figures TO stairwell_app;
    SQL

  down { run <<~SQL }
      DROP TABLE piece_figures;
      ALTER TABLE pieces DROP COLUMN deleted_at, DROP COLUMN deleted_by, DROP COLUMN key;
    SQL
end
