# frozen_string_literal: true

module Stairwell
  module Server
    module Routes
      # The whole studio: every student at a glance, holidays, everyone's week.
      module Studio
        def self.registered(app)
          app.get "/api/studio" do
            at_desk { |desk| render_json(Services::Overview.new(desk).rows) }
          end

          app.get "/api/studio/settings" do
            at_desk { |desk| render_json(Services::StudioDesk.new(desk).show) }
          end

          app.put "/api/studio/settings" do
            at_desk { |desk| render_json(Services::StudioDesk.new(desk).change(sent)) }
          end

          app.post "/api/studio/plans" do
            at_desk { |desk| render_json(Services::StudioDesk.new(desk).plan_everyone, status: 202) }
          end
        end
      end
    end
  end
end
