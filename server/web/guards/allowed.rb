# frozen_string_literal: true

module Stairwell
  module Server
    module Guards
      # Whoever is signed in does what their role in the studio lets them do: {Rights}. It is
      # looked at before anything that was sent is.
      class Allowed
        def initialize(app)
          @app = app
        end

        def call(env)
          context = env[Languages::CONTEXT]
          return @app.call(env) unless context && env["PATH_INFO"].start_with?("/api/")

          request = Contract::DEFINITION.request(Rack::Request.new(env))
          return @app.call(env) unless request.known?

          right = Rights.needed(request.operation_id)
          return @app.call(env) if right == :door
          if allowed?(request.operation_id, right, context, env)
            return noted(request.operation_id, context, env)
          end

          words = Rights.of(context.role).include?(right) ? "not_your_student" : "needs_#{right}"
          Problem.new(403, Phrase["server.rights.#{words}"], code: "not_allowed").to_rack
        end

        private

        # What is done goes into the studio's history; what is taken away, and what is read of
        # someone else's student, too.
        def noted(operation, context, env)
          return @app.call(env) if context.account_id.nil?

          act = Act.new(operation, env["PATH_INFO"], context, window: env["HTTP_X_WINDOW"])
          if env["REQUEST_METHOD"] == "GET"
            if Rights::TAKING.include?(operation) ||
                 (Rights::READING.include?(operation) && !teaches?(context, env))
              act.note_once
            end
          else
            env[Languages::CONTEXT] = context.with(act: act)
          end
          @app.call(env)
        end

        # Whether whoever reads a student's record has them at lessons; who is not there is
        # nobody's.
        def teaches?(context, env)
          id = env["PATH_INFO"][STUDENT, 1].to_i
          context.read do |tables|
            student = tables[:students].first(id: id)
            student.nil? || Repositories::Students.teachers(student).include?(context.account_id) ||
              Repositories::Students
                .new(tables)
                .teachers_on(student, context.today)
                .include?(context.account_id)
          end
        end

        STUDENT = %r{\A/api/students/(\d{1,18})(?:/|\z)}
        private_constant :STUDENT

        def allowed?(operation, right, context, env)
          return false unless Rights.of(context.role).include?(right)
          unless Rights::ABOUT_STUDENT.include?(right) && Rights.own_only?(context) &&
                   !Rights::IN_CLASS.include?(operation)
            return true
          end

          # An address that names its student in another way than the screens do is refused.
          id = env["PATH_INFO"][STUDENT, 1] or return false
          context.read do |tables|
            student = tables[:students].first(id: id.to_i)
            # Who is not there is not found, by the route.
            student.nil? || Rights.with_student(context, tables, student).include?(right)
          end
        end
      end
    end
  end
end
