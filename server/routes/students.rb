# frozen_string_literal: true

module Stairwell
  module Server
    module Routes
      # Students, what they are given, and their lessons.
      module Students
        def self.registered(app)
          app.get "/api/students" do
            at_desk { |desk| render_json(Services::Teaching.new(desk).list) }
          end

          app.post "/api/students" do
            at_desk { |desk| render_json(Services::Teaching.new(desk).add(sent), status: 201) }
          end

          app.get "/api/students/:id" do
            at_desk { |desk| render_json(Services::Teaching.new(desk).show(id)) }
          end

          app.put "/api/students/:id" do
            at_desk { |desk| render_json(Services::Teaching.new(desk).change(id, sent.except(:version), seen: sent[:version])) }
          end

          app.post "/api/students/:id/pieces" do
            at_desk { |desk| render_json(Services::Teaching.new(desk).give(id, sent), status: 201) }
          end

          app.post "/api/students/:id/trial" do
            at_desk { |desk| render_json(Services::Teaching.new(desk).trial(id, sent)) }
          end

          app.post "/api/students/:id/week" do
            at_desk { |desk| render_json(Services::Teaching.new(desk).plan_again(id)) }
          end

          app.post "/api/students/:id/options" do
            at_desk { |desk| render_json(Services::Teaching.new(desk).take(id, **sent.slice(:change, :assignment_id))) }
          end

          app.post "/api/students/:id/link" do
            at_desk { |desk| render_json(Services::Teaching.new(desk).renew_link(id), status: 201) }
          end

          app.delete "/api/students/:id/link" do
            at_desk { |desk| render_json(Services::Teaching.new(desk).withdraw_link(id)) }
          end

          app.get "/api/students/:id/lesson" do
            at_desk { |desk| render_json(Services::Lesson.new(desk).show(id)) }
          end

          app.post "/api/students/:id/results" do
            at_desk do |desk|
              lesson = Services::Lesson.new(desk)
              lesson.hear(id, **sent.slice(:assignment_id, :step_id, :result, :key))
              render_json(lesson.show(id), status: 201)
            end
          end

          app.get "/api/studio" do
            at_desk { |desk| render_json(Services::Overview.new(desk).rows) }
          end
        end
      end
    end
  end
end
