# frozen_string_literal: true

# A web server isn't told what the worker is: whatever asks for the worker's role while a request is
# answered fails here, too, where both are one process.
class WebAlone
  # Looked at wherever a context is asked for its keeper.
  module Refusing
    def keeper
      raise "a web server knows no keeper" if Thread.current[:stairwell_answers]

      super
    end
  end

  Stairwell::Server::StudioContexts.prepend(Refusing)

  def initialize(app)
    @app = app
  end

  def call(env)
    Thread.current[:stairwell_answers] = true
    @app.call(env)
  ensure
    Thread.current[:stairwell_answers] = nil
  end
end
