# frozen_string_literal: true

module Stairwell
  module Server
    module Routes
      # The week sheet behind a private link: one student's, and nothing else.
      module Sheet
        # Finds the student a link opens.
        module Link
          # @yieldparam sheet [Services::Sheet]
          # @raise [Problem] 404 for any link that is not in force
          def at_sheet
            token = checked.path_parameters["token"]
            studio_id, = Models::SheetLinks.claimed(token)
            raise Models::SheetLinks.unknown unless studio_id && settings.desks.studio?(studio_id)

            settings.desks.for_studio(studio_id) do |desk|
              yield Services::Sheet.new(desk, Models::SheetLinks.new(desk).student_id(token))
            end
          end
        end

        def self.registered(app)
          app.helpers Link

          app.get "/api/sheet/:token" do
            at_sheet { |sheet| render_json(sheet.show) }
          end

          app.get "/api/sheet/:token/sound" do
            at_sheet { |sheet| render_json(sheet.sound(assignment_id: checked.query["assignment_id"], step_id: checked.query["step_id"])) }
          end

          app.get "/api/sheet/:token/score" do
            at_sheet { |sheet| render_file(sheet.score(assignment_id: checked.query["assignment_id"]), "application/vnd.recordare.musicxml+xml") }
          end

          app.post "/api/sheet/:token/marks" do
            at_sheet do |sheet|
              sheet.mark(**sent.slice(:kind, :key, :assignment_id, :step_id, :undoes, :day))
              render_json(sheet.show, status: 201)
            end
          end
        end
      end
    end
  end
end
