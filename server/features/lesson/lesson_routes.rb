# frozen_string_literal: true

module Stairwell
  module Server
    module Features
      # The addresses of lessons, of the day's list of them, and of what is sent after them.
      module LessonRoutes
        module AtLesson
          # @return [Lessons] of the student in the path
          def lesson = Lessons.new(context, id)

          # @return [Messages] of the family of the student in the path
          def messages = Messages.new(context, id)
        end

        def self.registered(app)
          app.helpers AtLesson
          own = "/api/students/:id"

          app.get("/api/today") do
            render_json(Today.new(context).show(all: checked.query["teachers"] == "all"))
          end
          app.get("/api/outbox") { render_json(Outbox.new(context).list) }
          app.get("/api/outbox/unsent") { render_json(Outbox.new(context).unsent) }
          app.post("/api/outbox/:id/again") { render_json(Outbox.new(context).again(id)) }
          app.get("#{own}/lesson") { render_json(lesson.show) }
          app.put("#{own}/lesson") do
            render_json(lesson.write(sent.except(:version), seen: sent[:version]))
          end
          app.post("#{own}/results") { render_json(lesson.hear(**sent), status: 201) }
          app.post("#{own}/offer") { render_json(lesson.offer(**sent)) }
          app.post("#{own}/ticks") { render_json(lesson.tick(**sent), status: 201) }
          app.post("#{own}/lent") { render_json(lesson.lend(sent[:title]), status: 201) }
          app.delete("#{own}/lent/:lent") { render_json(lesson.take_back(at("lent"))) }
          app.get("#{own}/messages") { render_json(messages.list) }
          app.put("#{own}/messages/:message") do
            render_json(messages.mark(at("message"), read: sent[:read]))
          end
          app.post("#{own}/lesson/reopen") { render_json(lesson.reopen) }
          app.post("#{own}/lesson/finish") { render_json(lesson.finish(send_mail: sent[:send])) }
        end
      end
    end
  end
end
