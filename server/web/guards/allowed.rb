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
          return @app.call(env) if right == :door || allowed?(request.operation_id, right, context, env)

          words = Rights.of(context.role).include?(right) ? "not_your_student" : "needs_#{right}"
          Problem.new(403, Phrase["server.rights.#{words}"], code: "not_allowed").to_rack
        end

        private

        STUDENT = %r{\A/api/students/(\d{1,18})(?:/|\z)}
        private_constant :STUDENT

        def allowed?(operation, right, context, env)
          return false unless Rights.of(context.role).include?(right)
          return true unless Rights::ABOUT_STUDENT.include?(right) && Rights.own_only?(context) && !Rights::IN_CLASS.include?(operation)

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
