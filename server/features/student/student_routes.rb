# frozen_string_literal: true

module Stairwell
  module Server
    module Features
      # The addresses of students and of what they are assigned.
      module StudentRoutes
        module AtStudents
          # @return [Students]
          def students = Students.new(context)

          # @return [StudentLife]
          def student_life = StudentLife.new(context)
        end

        def self.registered(app)
          app.helpers AtStudents
          own = "/api/students/:id"

          app.get("/api/students") { render_json(students.list) }
          app.post("/api/students") { render_json(students.add(sent), status: 201) }
          app.get(own) { render_json(students.show(id)) }
          app.put(own) do
            render_json(students.change(id, sent.except(:version), seen: sent[:version]))
          end

          app.post("#{own}/pieces") { render_json(students.assign(id, sent), status: 201) }
          app.post("#{own}/preview") { render_json(students.preview(id, sent)) }
          app.put("#{own}/pieces/:assignment") do
            render_json(students.change_piece(id, at("assignment"), sent))
          end
          app.post("#{own}/pieces/:assignment/renew") do
            render_json(students.renew_piece(id, at("assignment")))
          end
          app.delete("#{own}/pieces/:assignment/renew") do
            render_json(students.take_back_page(id, at("assignment")))
          end
          app.post("#{own}/pieces/:assignment/end") do
            render_json(students.end_piece(id, at("assignment"), **sent))
          end
          app.get("#{own}/pieces/:assignment/ways-out") do
            render_json(Ahead.new(context).ways_out(id, at("assignment")))
          end
          app.get("#{own}/pieces/:assignment/backwards") do
            render_json(Ahead.new(context).backwards(id, at("assignment")))
          end
          app.put("#{own}/pieces/:assignment/backwards") do
            render_json(students.plan_backwards(id, at("assignment"), **sent.slice(:measures)))
          end
          app.get("#{own}/suits") { render_json(Ahead.new(context).suits(id)) }
          app.post("#{own}/options") do
            render_json(students.take_option(id, **sent.slice(:change, :assignment_id)))
          end

          app.post("/api/students/read") do
            render_json(StudentLists.new(context).read(sent[:text]))
          end
          app.post("/api/students/list") do
            render_json(StudentLists.new(context).add(sent[:students]), status: 201)
          end
          app.post("#{own}/pause") { render_json(student_life.pause(id)) }
          app.post("#{own}/go-on") { render_json(student_life.go_on(id)) }
          app.put("#{own}/family") { render_json(student_life.change_family(id, sent[:with])) }
          app.post("#{own}/calendar") { render_json(student_life.renew_calendar(id), status: 201) }
          app.delete("#{own}/calendar") { render_json(student_life.withdraw_calendar(id)) }
          app.post("#{own}/leave") { render_json(student_life.leave(id)) }
          app.post("#{own}/return") { render_json(student_life.return(id)) }
          app.post("#{own}/week") { render_json(students.plan(id)) }
          app.post("#{own}/week/overrides") { render_json(students.change_week(id, **sent)) }
          app.get("#{own}/introductions") { render_json(Lessons.new(context, id).introducing) }
          app.post("#{own}/introductions") do
            render_json(students.introduce(id, **sent), status: 201)
          end
          app.post("#{own}/simplifications") do
            render_json(students.simplify(id, **sent), status: 201)
          end

          app.get("/api/extra-work") { render_json(ExtraWork.new(context).given) }
          app.post("#{own}/extra-work") do
            render_json(ExtraWork.new(context).add(id, sent), status: 201)
          end
          app.put("#{own}/extra-work/:work") do
            render_json(ExtraWork.new(context).change(id, at("work"), sent))
          end
          app.delete("#{own}/extra-work/:work") do
            render_json(ExtraWork.new(context).finish(id, at("work")))
          end

          app.post("#{own}/link") { render_json(students.renew_link(id), status: 201) }
          app.delete("#{own}/link") { render_json(students.withdraw_link(id)) }
        end
      end
    end
  end
end
