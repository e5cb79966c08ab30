# frozen_string_literal: true

module Stairwell
  module Server
    module Features
      # The addresses of the week sheet behind a private link.
      module SheetRoutes
        module AtSheet
          # @return [Sheets] behind the link in the path
          # @raise [Problem] 404 for any link that is not in force
          def sheet = Sheets.behind(settings.contexts, at("token"))
        end

        def self.registered(app)
          app.helpers AtSheet
          own = "/api/sheet/:token"

          app.get(own) { render_json(sheet.show) }
          app.get("#{own}/sound") do
            render_json(
              sheet.sound(
                assignment_id: checked.query["assignment_id"],
                step_id: checked.query["step_id"],
                tempo: checked.query["tempo"]
              )
            )
          end
          app.get("#{own}/score") do
            render_file(sheet.score(assignment_id: checked.query["assignment_id"]), Piece::MUSICXML)
          end
          app.post("#{own}/marks") do
            render_json(
              sheet.mark(
                **sent.slice(
                  :kind,
                  :key,
                  :assignment_id,
                  :step_id,
                  :undoes,
                  :day,
                  :tapped_at,
                  :asked
                )
              ),
              status: 201
            )
          end
          app.post("#{own}/messages") do
            render_json(sheet.write(**sent.slice(:key, :day, :text, :written_at)), status: 201)
          end
        end
      end
    end
  end
end
