# frozen_string_literal: true

module Stairwell
  module Server
    module Features
      # The addresses of single lessons, of who stands in, and of what was given meanwhile.
      module TimetableRoutes
        module AtTimetable
          # @return [LessonTimes]
          def lesson_times = LessonTimes.new(context)

          # @return [Covers]
          def covers = Covers.new(context)

          # @return [Calendars]
          def calendars = Calendars.new(context)
        end

        def self.registered(app)
          app.helpers AtTimetable
          lesson = "/api/students/:id/lessons/:day"

          app.get("/api/timetable") do
            render_json(
              lesson_times.week(
                from: checked.query["from"],
                all: checked.query["teachers"] == "all"
              )
            )
          end
          app.post("/api/students/:id/lessons") do
            render_json(lesson_times.put_in(id, **sent), status: 201)
          end
          app.put(lesson) do
            render_json(
              lesson_times.change(id, at("day"), **sent.except(:version), seen: sent[:version])
            )
          end
          app.put("#{lesson}/attendance") do
            render_json(
              lesson_times.attend(
                id,
                at("day"),
                seen: sent[:version],
                attendance: sent[:attendance]
              )
            )
          end
          app.put("#{lesson}/looked-through") { render_json(covers.look_through(id, at("day"))) }

          app.get("/api/students/:id/stand-in") { render_json(StandIn.new(context, id).show) }
          app.get("/api/covers") { render_json(covers.list) }
          app.post("/api/covers") { render_json(covers.add(**sent), status: 201) }
          app.delete("/api/covers/:id") { render_json(covers.withdraw(id)) }
          app.get("/api/calendar") { render_json(calendars.own) }
          app.post("/api/calendar") { render_json(calendars.renew, status: 201) }
          app.delete("/api/calendar") { render_json(calendars.withdraw) }
          app.get("/api/calendars/:token") do
            render_file(
              Calendars.behind(settings.contexts, at("token")),
              "text/calendar; charset=utf-8"
            )
          end
          app.get("/api/while-away") { render_json(covers.while_away) }
        end
      end
    end
  end
end
