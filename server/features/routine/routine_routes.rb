# frozen_string_literal: true

module Stairwell
  module Server
    module Features
      # The addresses of routines.
      module RoutineRoutes
        def self.registered(app)
          app.get("/api/routines") { render_json(Routines.new(context).list) }
          app.post("/api/routines/:key/copy") do
            render_json(Routines.new(context).copy(at("key"), name: sent[:name]), status: 201)
          end
          app.put("/api/routines/:key") do
            render_json(
              Routines.new(context).change(
                at("key"),
                **sent.slice(:name, :for_whom, :stages, :version)
              )
            )
          end
          app.post("/api/routines/:key/trial") do
            render_json(Routines.new(context).trial(at("key"), **sent.slice(:piece_id, :stages)))
          end
        end
      end
    end
  end
end
