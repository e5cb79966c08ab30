# frozen_string_literal: true

module Stairwell
  module Server
    module Repositories
      # The private links of a student that are in force, both kinds at once.
      class StudentLinks
        # @param tables [Tables]
        # @param settings [Settings]
        def initialize(tables, settings)
          @tables = tables
          @settings = settings
        end

        # @param student_id [Integer]
        # @return [Hash{Symbol => String, nil}] :sheet_path, :calendar_path
        def paths(student_id)
          sheet, calendar =
            %w[sheet_links calendar_links].map do |table|
              @tables[table.to_sym].where(student_id: student_id, withdrawn_at: nil).select(
                :studio_id,
                :id,
                :nonce,
                Sequel.as(table, :kind)
              )
            end
          found = sheet.union(calendar, all: true).all.to_h { |row| [row[:kind], row] }
          {
            sheet_path:
              found["sheet_links"]&.then { |row| SheetLinks.address(row, @settings.link_secret) },
            calendar_path:
              found["calendar_links"]&.then do |row|
                CalendarLinks.address(row, @settings.calendar_secret)
              end
          }
        end
      end
    end
  end
end
