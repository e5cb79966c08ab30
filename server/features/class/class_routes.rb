# frozen_string_literal: true

module Stairwell
  module Server
    module Features
      # The addresses of classes, their units and their lessons.
      module ClassRoutes
        module AtClasses
          # @return [Classes]
          def classes = Classes.new(context)

          # @return [ClassUnits] of the class in the path
          def units = ClassUnits.new(context, id)

          # @return [ClassLesson] of the class in the path
          def class_lesson = ClassLesson.new(context, id)
        end

        def self.registered(app)
          app.helpers AtClasses
          own = "/api/classes/:id"

          app.get("/api/classes") { render_json(classes.list) }
          app.post("/api/classes") { render_json(classes.add(**sent), status: 201) }
          app.get(own) { render_json(classes.show(id)) }
          app.put(own) do
            render_json(classes.change(id, **sent.except(:version), seen: sent[:version]))
          end
          app.delete(own) { render_json(classes.finish(id)) }
          app.post("#{own}/units") { render_json(units.add(**sent), status: 201) }
          app.put("#{own}/units/:unit") do
            render_json(units.finish(at("unit"), ended: sent[:ended]))
          end
          app.put("#{own}/units/:unit/choice") { render_json(units.choose(at("unit"), **sent)) }
          app.post("#{own}/marks") { render_json(units.judge(**sent), status: 201) }
          app.get("#{own}/lesson") { render_json(class_lesson.show) }
          app.post("#{own}/results") { render_json(class_lesson.hear(**sent), status: 201) }
          app.post("#{own}/finish") { render_json(class_lesson.finish(send_mail: sent[:send])) }
        end
      end
    end
  end
end
