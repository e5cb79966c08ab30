# frozen_string_literal: true

module Stairwell
  module Server
    module Routes
      # Lessons, the day's list of them, and what is sent after them.
      module Lessons
        # What a lesson's routes share.
        module AtLesson
          # @yieldparam lesson [Services::Lesson]
          # @yieldparam finish [Services::LessonEnd]
          def at_lesson
            at_desk { |desk| yield Services::Lesson.new(desk), Services::LessonEnd.new(desk, id) }
          end
        end

        def self.registered(app)
          app.helpers AtLesson

          app.get("/api/today") { at_desk { |desk| render_json(Services::Today.new(desk).show(all: checked.query["teachers"] == "all")) } }
          app.get("/api/outbox") { at_desk { |desk| render_json(Models::Outbox.new(desk).list) } }
          app.get("/api/students/:id/lesson") { at_lesson { |lesson, _| render_json(lesson.show(id)) } }

          app.put "/api/students/:id/lesson" do
            at_lesson { |_, finish| render_json(finish.save(sent.except(:version), seen: sent[:version])) }
          end

          app.post "/api/students/:id/results" do
            at_lesson { |lesson, _| render_json(lesson.hear(id, **sent), status: 201) }
          end

          app.post "/api/students/:id/offer" do
            at_lesson { |lesson, _| render_json(lesson.offer(id, **sent)) }
          end

          app.post "/api/students/:id/ticks" do
            at_lesson { |lesson, _| render_json(lesson.tick(id, **sent), status: 201) }
          end

          app.post "/api/students/:id/lent" do
            at_lesson do |lesson, finish|
              finish.lend(sent[:title])
              render_json(lesson.show(id), status: 201)
            end
          end

          app.delete "/api/students/:id/lent/:lent" do
            at_lesson do |lesson, finish|
              finish.take_back(checked.path_parameters["lent"])
              render_json(lesson.show(id))
            end
          end

          app.post "/api/students/:id/lesson/finish" do
            at_lesson { |_, finish| render_json(finish.finish(send_mail: sent[:send])) }
          end
        end
      end
    end
  end
end
