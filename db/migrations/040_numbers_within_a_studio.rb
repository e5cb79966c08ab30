# frozen_string_literal: true

# Rows are numbered within a studio. A studio whose rows came out of an archive counts on from the
# highest number of its own; the sequences, which all studios share, are moved by nothing that an
# archive says. The number of a row is the next of the table's sequence plus what the studio starts
# from: no two of a studio are the same, and nobody waits for anyone.
Sequel.migration do
  studio = "nullif(current_setting('stairwell.studio', true), '')::bigint"

  # Tables of a studio's rows that are numbered.
  numbered = <<~SQL
    SELECT c.table_name::text AS name FROM information_schema.columns c
    JOIN information_schema.columns s USING (table_schema, table_name)
    WHERE c.table_schema = 'public' AND c.column_name = 'id' AND s.column_name = 'studio_id'
      AND c.data_type = 'bigint' AND c.is_identity = '%s'
  SQL

  up do
    run <<~SQL
      -- What a studio's numbers start from, by table; nothing for a studio that loaded no archive.
      CREATE TABLE number_starts (
        studio_id bigint NOT NULL REFERENCES studios (id),
        name text NOT NULL,
        above bigint NOT NULL CHECK (above BETWEEN 0 AND 1099511627776),
        PRIMARY KEY (studio_id, name)
      );
      CREATE POLICY own_studio ON number_starts
        USING (studio_id = #{studio}) WITH CHECK (studio_id = #{studio});
      ALTER TABLE number_starts ENABLE ROW LEVEL SECURITY;
      ALTER TABLE number_starts FORCE ROW LEVEL SECURITY;

      GRANT SELECT ON number_starts TO stairwell_app;

      CREATE FUNCTION next_number(of text) RETURNS bigint LANGUAGE sql VOLATILE SECURITY DEFINER
        SET search_path = public, pg_temp AS $$
        SELECT nextval((of || '_id_seq')::regclass)
          + coalesce((SELECT above FROM number_starts WHERE studio_id = #{studio} AND name = of), 0)
      $$;
      REVOKE ALL ON FUNCTION next_number(text) FROM PUBLIC;
      GRANT EXECUTE ON FUNCTION next_number(text) TO stairwell_app;
    SQL
    from(Sequel.lit("(#{format(numbered, "YES")}) AS numbered"))
      .select_map(:name)
      .each do |name|
        sequence = "#{name}_id_seq"
        next_value = get(Sequel.function(:nextval, sequence))
        run <<~SQL
          ALTER TABLE #{name} ALTER id DROP IDENTITY;
          CREATE SEQUENCE #{sequence} OWNED BY #{name}.id;
          SELECT setval('#{sequence}', #{next_value}, false);
          ALTER TABLE #{name} ALTER id SET DEFAULT next_number('#{name}');
        SQL
      end
    run <<~SQL
      DROP FUNCTION take_over_erasures(jsonb);
      -- The studio counts on from the rows it has now.
      CREATE OR REPLACE FUNCTION number_on() RETURNS void LANGUAGE plpgsql SECURITY DEFINER
        SET search_path = public, pg_temp AS $$
      DECLARE
        studio bigint := #{studio};
        name text;
        taken bigint;
      BEGIN
        FOR name IN #{format(numbered, "NO").tr("\n", " ")} LOOP
          EXECUTE format('SELECT max(id) FROM %I WHERE studio_id = $1', name)
            INTO taken USING studio;
          IF taken IS NOT NULL THEN
            INSERT INTO number_starts VALUES (studio, name, taken);
          END IF;
        END LOOP;
      END $$;
    SQL
  end

  down { raise Sequel::Error, "numbers that were given within a studio are not given back" }
end
