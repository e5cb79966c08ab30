# frozen_string_literal: true

module Stairwell
  module Server
    module Repositories
      # The private links of a student that are in force, both kinds at once.
      class StudentLinks
        # @param tables [Tables]
        def initialize(tables)
          @tables = tables
        end

        # @param student_id [Integer]
        # @return [Hash{Symbol => String, nil}] :sheet_path, :calendar_path
        def paths(student_id)
          sheet, calendar =
            %w[sheet calendar].map do |kind|
              table = :"#{kind}_links"
              @tables[table].where(student_id: student_id, withdrawn_at: nil).select(
                Sequel.as(kind, :kind),
                SheetLinks.token(table, kind)
              )
            end
          tokens = sheet.union(calendar, all: true).as_hash(:kind, :token)
          {
            sheet_path: tokens["sheet"]&.then { |token| SheetLinks.address(token) },
            calendar_path: tokens["calendar"]&.then { |token| CalendarLinks.address(token) }
          }
        end
      end
    end
  end
end
