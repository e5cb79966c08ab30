# frozen_string_literal: true

module Stairwell
  module Server
    module Features
      # The addresses of the whole studio.
      module StudioRoutes
        def self.registered(app)
          app.get("/api/news") do
            halt(
              *settings.contexts.news.listen(
                env,
                context.studio_id,
                since: checked.query["since"],
                window: checked.query["window"]
              )
            )
          end
          app.get("/api/studio") { render_json(Overview.new(context).rows) }
          app.get("/api/studio/settings") { render_json(StudioSettings.new(context).show) }
          app.put("/api/studio/settings") { render_json(StudioSettings.new(context).change(sent)) }
          app.post("/api/studio/holidays") do
            render_json(StudioSettings.new(context).read_holidays(request.body.read))
          end
          app.post("/api/studio/plans") do
            render_json(StudioSettings.new(context).plan_everyone, status: 202)
          end
        end
      end
    end
  end
end
