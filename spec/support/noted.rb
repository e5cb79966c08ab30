# frozen_string_literal: true

# The last requests a browser sent, for a reader of a run's output: whether one that is
# missed was answered, only begun, or never came. Where the plug is pulled none is answered.
class Noted
  LAST = 40

  class << self
    # @return [Boolean]
    attr_accessor :unplugged

    # @return [Array<String>]
    def lines = @lines ||= []

    # @param line [String]
    def <<(line)
      lines << "#{Process.clock_gettime(Process::CLOCK_MONOTONIC).round(2)} #{line}"
      lines.shift while lines.size > LAST
    end
  end

  # @param app [#call]
  def initialize(app)
    @app = app
  end

  def call(env)
    return dropped(env) if Noted.unplugged
    return @app.call(env) unless env["PATH_INFO"].start_with?("/api/")

    line = env.values_at("REQUEST_METHOD", "PATH_INFO").join(" ")
    Noted << "begun #{line}"
    @app.call(env).tap { |status, *| Noted << "#{status} #{line}" }
  end

  private

  # Whoever asked hears nothing more.
  def dropped(env)
    env["rack.hijack"].call.close
    [-1, {}, []]
  end
end
