# frozen_string_literal: true

module Stairwell
  module Server
    module Repositories
      # Where a name stands in a studio's words, in whatever table.
      class NamedIn
        TEXTS = ["text", "jsonb", "character varying", "ARRAY"].freeze
        private_constant :TEXTS

        # @param tables [Tables]
        def initialize(tables)
          @tables = tables
        end

        # @param name [String] as a word of its own, in small or large letters
        # @param but [Integer] the student whose own rows do not count
        # @return [Array<Hash>] table: and count: of rows that hold it
        def of(name, but:)
          word = "(^|[^[:alnum:]])#{Regexp.escape(name.downcase)}([^[:alnum:]]|$)"
          columns.filter_map do |table, names|
            rows =
              others(table, but).where(
                Sequel.|(
                  *names.map do |column|
                    Sequel.lit("lower(?::text) ~ ?", Sequel[table.to_sym][column.to_sym], word)
                  end
                )
              )
            count = rows.count
            { table: table, count: count } if count.positive?
          end
        end

        private

        def others(table, student_id)
          rows = @tables[table.to_sym]
          return rows.exclude(id: student_id) if table == "students"
          return rows unless @tables.db[table.to_sym].columns.include?(:student_id)

          rows.where(Sequel.|({ student_id: nil }, Sequel.~(student_id: student_id)))
        end

        def columns
          own = Sequel[:information_schema][:columns]
          within =
            @tables
              .db
              .from(own)
              .where(table_schema: "public", column_name: "studio_id")
              .select(:table_name)
          @tables
            .db
            .from(own)
            .where(table_schema: "public", table_name: within, data_type: TEXTS)
            .order(:table_name)
            .select_hash_groups(:table_name, :column_name)
        end
      end
    end
  end
end
