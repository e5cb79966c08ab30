# frozen_string_literal: true

module Stairwell
  module Server
    module Features
      # The addresses of the people of a studio, and of coming in.
      module PeopleRoutes
        def self.registered(app)
          app.post("/api/open") { render_json(Entry.new(settings.contexts).open(sent[:code], sent.except(:code)), status: 201) }
          app.get("/api/invitations/:token") { render_json(Entry.new(settings.contexts).invitation(at("token"))) }
          app.post("/api/join") { render_json(Entry.new(settings.contexts).join(sent[:token], sent.except(:token)), status: 201) }

          app.get("/api/people") { render_json(People.new(context).show) }
          app.post("/api/people/invitations") { render_json(People.new(context).invite(**sent.slice(:role, :email)), status: 201) }
          app.delete("/api/people/invitations/:id") { render_json(People.new(context).withdraw(id)) }
          app.put("/api/people/:id") { render_json(People.new(context).change(id, role: sent[:role])) }
          app.post("/api/people/:id/leave") { render_json(People.new(context).remove(id, to: sent[:to])) }
        end
      end
    end
  end
end
