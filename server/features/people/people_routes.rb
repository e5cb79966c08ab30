# frozen_string_literal: true

module Stairwell
  module Server
    module Features
      # The addresses of the people of a studio, and of coming in.
      module PeopleRoutes
        def self.registered(app)
          app.post("/api/open") do
            render_json(
              Entry.new(settings.contexts).open(sent[:code], sent.except(:code)),
              status: 201
            )
          end
          app.get("/api/invitations/:token") do
            render_json(Entry.new(settings.contexts).invitation(at("token")))
          end
          app.post("/api/join") do
            render_json(
              Entry.new(settings.contexts).join(sent[:token], sent.except(:token)),
              status: 201
            )
          end

          app.get("/api/people") { render_json(People.new(context).show) }
          app.post("/api/people/invitations") do
            render_json(People.new(context).invite(**sent.slice(:role, :email)), status: 201)
          end
          app.delete("/api/people/invitations/:id") do
            render_json(People.new(context).withdraw(id))
          end
          app.put("/api/people/:id") do
            render_json(People.new(context).change(id, role: sent[:role]))
          end
          app.post("/api/people/:id/leave") do
            render_json(People.new(context).remove(id, to: sent[:to]))
          end
        end
      end
    end
  end
end
