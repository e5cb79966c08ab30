# frozen_string_literal: true

module Stairwell
  module Server
    module Routes
      # Weeks on paper: one student's, or several at once.
      module Papers
        # What makes a PDF of sheets.
        module OnPaper
          # @param ids [Array<Integer>] of students
          # @return [String] PDF of their newest weeks
          def pdf(desk, ids) = paper(ids.map { |one| Services::Sheet.new(desk, one, newest: true).show })

          # @param sheets [Array<Hash>] see {Services::Sheet#show}
          # @return [String] PDF
          def paper(sheets)
            content_type "application/pdf"
            headers "Content-Disposition" => "inline; filename=\"week.pdf\""
            Services::WeekPdf.new(sheets, empty: checked.query["boxes"] == "empty").to_s
          end
        end

        def self.registered(app)
          app.helpers OnPaper

          app.get "/api/students/:id/week.pdf" do
            at_desk { |desk| pdf(desk, [id]) }
          end

          # The family's own print, behind the private link.
          app.get "/api/sheet/:token/week.pdf" do
            at_sheet { |sheet| paper([sheet.show]) }
          end

          app.get "/api/weeks.pdf" do
            at_desk { |desk| pdf(desk, checked.query["students"]) }
          end
        end
      end
    end
  end
end
