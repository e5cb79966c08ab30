# frozen_string_literal: true

module Stairwell
  module Server
    module Routes
      # Routines: those that ship, and the studio's own.
      module Routines
        def self.registered(app)
          app.get("/api/routines") { at_desk { |desk| render_json(Services::RoutineDesk.new(desk).list) } }

          app.post "/api/routines/:key/copy" do
            at_desk { |desk| render_json(Services::RoutineDesk.new(desk).copy(routine_key, name: sent[:name]), status: 201) }
          end

          app.put "/api/routines/:key" do
            at_desk { |desk| render_json(Services::RoutineDesk.new(desk).change(routine_key, **sent.slice(:name, :for_whom, :stages, :version))) }
          end

          app.post "/api/routines/:key/trial" do
            at_desk { |desk| render_json(Services::RoutineDesk.new(desk).trial(routine_key, **sent.slice(:piece_id, :stages))) }
          end
        end
      end
    end
  end
end
