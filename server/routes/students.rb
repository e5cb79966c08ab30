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

          app.put "/api/students/:id/pieces/:assignment" do
            at_desk { |desk| render_json(Services::Teaching.new(desk).change_piece(id, checked.path_parameters["assignment"], sent)) }
          end

          app.post "/api/students/:id/pieces/:assignment/renew" do
            at_desk { |desk| render_json(Services::Teaching.new(desk).renew_piece(id, checked.path_parameters["assignment"])) }
          end

          app.post "/api/students/:id/pieces/:assignment/end" do
            at_desk { |desk| render_json(Services::Teaching.new(desk).end_piece(id, checked.path_parameters["assignment"], **sent)) }
          end

          app.post "/api/students/:id/week/overrides" do
            at_desk { |desk| render_json(Services::Teaching.new(desk).draw(id, sent)) }
          end

          app.post "/api/students/:id/taught" do
            at_desk { |desk| render_json(Services::Teaching.new(desk).teach(id, **sent), status: 201) }
          end

          app.post "/api/students/:id/simplifications" do
            at_desk { |desk| render_json(Services::Teaching.new(desk).ease(id, **sent), status: 201) }
          end

          app.post "/api/students/:id/work" do
            at_desk { |desk| render_json(Services::Teaching.new(desk).add_work(id, sent), status: 201) }
          end

          app.put "/api/students/:id/work/:work" do
            at_desk { |desk| render_json(Services::Teaching.new(desk).change_work(id, checked.path_parameters["work"], sent)) }
          end

          app.delete "/api/students/:id/work/:work" do
            at_desk { |desk| render_json(Services::Teaching.new(desk).end_work(id, checked.path_parameters["work"])) }
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
        end
      end
    end
  end
end
