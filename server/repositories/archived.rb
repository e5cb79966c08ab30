# frozen_string_literal: true

module Stairwell
  module Server
    module Repositories
      # The rows of a studio as an archive holds them: PostgreSQL writes them as JSON and reads them
      # back, so that a column made later is in it by itself.
      class Archived
        # What is worked out from other rows, is a secret of one server, or is of one moment.
        WITHOUT = %w[
          studios
          memberships
          erasures
          erasure_requests
          student_summaries
          piece_figures
          sheet_links
          calendar_links
          invitations
          plan_runs
          archive_loads
          archive_parts
          number_starts
        ].freeze
        # Kept as files of their own.
        CONTENT = { "score_files" => "content" }.freeze
        # Rows fetched, and put in, at once.
        AT_ONCE = 500
        private_constant :WITHOUT, :CONTENT, :AT_ONCE

        # @param tables [Tables]
        def initialize(tables)
          @tables = tables
          @db = tables.db
        end

        # @return [Array<String>] names of tables, each after those that it refers to
        def names
          left = own - WITHOUT
          wants = references.group_by(&:first).transform_values { |pairs| pairs.map(&:last) }
          order = []
          while left.any?
            free = left.select { |name| (wants.fetch(name, []) & (left - [name])).empty? }
            order.concat(free.sort)
            left -= free
          end
          order
        end

        # @param name [String] of a table
        # @yieldparam row [Hash{String=>Object}] without the studio's number
        # @return [void]
        def each(name)
          columns =
            Sequel.lit(
              "to_jsonb(?) - 'studio_id' - ?::text AS row",
              Sequel.identifier(name),
              CONTENT.fetch(name, "")
            )
          @tables[name.to_sym]
            .select(columns)
            .order(*keys(name))
            .use_cursor(rows_per_fetch: AT_ONCE)
            .each { |found| yield found[:row].to_hash }
        end

        # @yieldparam file [Hash] piece_id:, revision:, name:, content: of a score as it was loaded
        # @return [void]
        def each_score(&)
          @tables[:score_files]
            .order(:piece_id, :revision)
            .select(:piece_id, :revision, :name, :content)
            .use_cursor(rows_per_fetch: 1)
            .each(&)
        end

        # @return [Hash{String=>Object}] the studio's own row
        def studio =
          @db[:studios]
            .where(id: @tables.studio_id)
            .get(Sequel.lit("to_jsonb(studios) - 'id'"))
            .to_hash

        # @return [Array<Hash>] :id, :name, :email, :role, :joined_at, :left_at of all who belong or
        #   belonged to it
        def people
          @tables[:memberships]
            .join(:accounts, id: :account_id)
            .order(:id)
            .select(Sequel[:accounts][:id], :name, :email, :role, :joined_at, :left_at)
            .all
        end

        # @return [Array<Hash>] :student_id and :erased_at
        def erasures = @tables[:erasures].order(:student_id).select(:student_id, :erased_at).all

        # @return [Array<Integer>] students whose sheet can be opened
        def linked =
          @tables[:sheet_links].where(withdrawn_at: nil).order(:student_id).select_map(:student_id)

        # @param name [String] of a table
        # @return [Array<String>] its columns
        def columns(name) =
          @db
            .from(Sequel[:information_schema][:columns])
            .where(table_schema: "public", table_name: name)
            .order(:ordinal_position)
            .select_map(:column_name) - ["studio_id"]

        # @param name [String]
        # @return [Array<String>] columns that name a person
        def accounts(name) = (@accounts ||= account_columns).fetch(name, [])

        # Puts rows in. What a row does not say has its usual value.
        # @param name [String] of a table
        # @param columns [Array<String>] of every row
        # @param rows [Array<Hash>]
        # @return [void]
        def put(name, columns, rows)
          names = columns.map(&:to_sym)
          rows.each_slice(AT_ONCE) do |some|
            found =
              @db.from(
                Sequel.lit(
                  "jsonb_populate_recordset(NULL::?, ?)",
                  Sequel.identifier(name),
                  Sequel.pg_jsonb(some)
                )
              ).select(@tables.studio_id, *names)
            @db[name.to_sym].insert([:studio_id, *names], found)
          end
        end

        private

        def own =
          @db
            .from(Sequel[:information_schema][:columns])
            .where(table_schema: "public", column_name: "studio_id")
            .select_map(:table_name)

        def references
          @db.fetch(<<~SQL).map { |row| row.values_at(:one, :other) }
            SELECT DISTINCT conrelid::regclass::text AS one, confrelid::regclass::text AS other FROM pg_constraint WHERE contype = 'f'
          SQL
        end

        def keys(name)
          @db.fetch(<<~SQL, name).map { |row| row[:column].to_sym }
            SELECT a.attname AS column FROM pg_index i JOIN pg_attribute a ON a.attrelid = i.indrelid AND a.attnum = ANY(i.indkey)
            WHERE i.indrelid = ?::regclass AND i.indisprimary ORDER BY a.attnum
          SQL
        end

        def account_columns
          @db.fetch(<<~SQL).to_hash_groups(:name, :column)
            SELECT c.conrelid::regclass::text AS name, a.attname AS column FROM pg_constraint c JOIN pg_attribute a ON a.attrelid = c.conrelid AND a.attnum = ANY(c.conkey)
            WHERE c.contype = 'f' AND c.confrelid IN ('memberships'::regclass, 'accounts'::regclass) AND a.attname <> 'studio_id'
          SQL
        end
      end
    end
  end
end
