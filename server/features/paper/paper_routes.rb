# frozen_string_literal: true

module Stairwell
  module Server
    module Features
      # The addresses of what is printed: weeks, one student's or several at once, and what to write
      # into one's book.
      module PaperRoutes
        # What makes a PDF of sheets.
        module OnPaper
          # @param sheets [Array<Hash>] see {SheetJson#to_h}
          # @param told [Array<Hash>] see {WeekPdf}; printed only where they were asked for
          # @return [String] PDF
          def paper(sheets, told: [])
            told = [] unless checked.query["recaps"]
            content_type "application/pdf"
            headers "Content-Disposition" => "inline; filename=\"week.pdf\""
            WeekPdf.new(sheets, empty: checked.query["boxes"] == "empty", told: told).to_s
          end

          # @param ids [Array<Integer>] of students
          # @return [Array<Hash>] their newest weeks, in that order
          def sheets(ids)
            records =
              Repositories::Records
                .new(context)
                .load(ids)
                .to_h { |record| [record.student.id, record] }
            ids.map do |one|
              SheetJson.new(
                Studio::Sheet.new(
                  records[one] || raise(MissingError, Phrase["missing.student"]),
                  newest: true
                )
              ).to_h
            end
          end
        end

        def self.registered(app)
          app.helpers OnPaper

          app.get("/api/students/:id/week.pdf") do
            paper(
              sheets([id]),
              told: context.read { |tables| Repositories::Lessons.told(tables, id) }
            )
          end
          app.get("/api/weeks.pdf") { paper(sheets(checked.query["students"])) }
          app.get("/api/pieces/:id/pencil.pdf") do
            render_file(piece.pencil, "application/pdf", "pdf")
          end
          # The family's own print, behind the private link.
          app.get("/api/sheet/:token/week.pdf") do
            sheet.printed.then { |week, told| paper([week], told: told) }
          end
        end
      end
    end
  end
end
