# frozen_string_literal: true

module Stairwell
  module Server
    module Repositories
      # Every row that is about one student, whatever table it lies in: a new table is in it by
      # itself.
      class StudentRecord
        # What is computed from other rows, or is a secret.
        WITHOUT = %w[student_summaries].freeze
        SECRET = %i[nonce].freeze
        private_constant :WITHOUT, :SECRET

        # @param tables [Tables]
        # @param id [Integer]
        def initialize(tables, id)
          @tables = tables
          @id = id
        end

        # @return [Hash{String => Array<Hash>}] rows by table, the student's own first; those
        #   without any are left out
        def to_h
          {
            "students" => @tables[:students].where(id: @id).all,
            **names.to_h { |name| [name, @tables[name.to_sym].where(student_id: @id).all] }
          }.transform_values do |rows|
              rows.map do |row|
                row.except(:studio_id, *SECRET).transform_values { |value| plain(value) }
              end
            end
            .reject { |_, rows| rows.empty? }
        end

        private

        # Arrays and documents of PostgreSQL as Ruby's own; moments as RFC 3339 writes them.
        def plain(value)
          return value.to_a.map { |one| plain(one) } if value.respond_to?(:to_ary)
          return value.to_hash.transform_values { |one| plain(one) } if value.respond_to?(:to_hash)
          return value.iso8601 if value.is_a?(Time)

          value.is_a?(Date) ? value.to_s : value
        end

        def names
          @tables
            .db
            .from(Sequel[:information_schema][:columns])
            .where(table_schema: "public", column_name: "student_id")
            .exclude(table_name: WITHOUT)
            .order(:table_name)
            .select_map(:table_name)
        end
      end
    end
  end
end
