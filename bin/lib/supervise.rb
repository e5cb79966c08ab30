# frozen_string_literal: true

# Runs the web server and the worker on jobs, and looks after the private PostgreSQL where
# there is one. Called by bin/start, which says in the environment: STAIRWELL_BIND,
# STAIRWELL_CLUSTER (its folder) and STAIRWELL_CLUSTER_PORT, STAIRWELL_AS (a user).

require_relative "supervisor"

$stdout.sync = true
root = ENV.fetch("STAIRWELL_RUNS_IN")
web_user, jobs_user = ENV["STAIRWELL_AS"].to_s, ENV["STAIRWELL_JOBS_AS"].to_s
as =
  lambda do |user|
    next [] if user.empty?

    ["setpriv", "--reuid", user, "--regid", user, "--clear-groups", "--no-new-privs"]
  end
# The web server signs in as the app's plain role and isn't told the secret. The worker alone knows
# it, and runs as a user of its own, so that the web server can't read it there.
env = {
  "DATABASE_URL" => nil,
  "STAIRWELL_JOBS" => "elsewhere",
  "BUNDLE_GEMFILE" => File.join(root, "Gemfile"),
  "BUNDLE_PATH" => File.join(root, "vendor/bundle")
}
env["HOME"] = "/nonexistent" unless web_user.empty?
puma = %w[bundle exec puma --quiet --dir] + [root, "--config", File.join(root, "config/puma.rb")]
puma += ["--bind", ENV.fetch("STAIRWELL_BIND"), File.join(root, "config.ru")]
worker = ["bundle", "exec", "ruby", File.join(root, "bin/lib/worker.rb")]
children = [
  Supervisor::Child.new(
    "The web server",
    [*as.call(web_user), *puma],
    env.merge("STAIRWELL_SECRET" => nil)
  ),
  Supervisor::Child.new("The worker on jobs", [*as.call(jobs_user), *worker], env)
]
Dir.chdir(root)

if (cluster = ENV["STAIRWELL_CLUSTER"])
  pid_file = File.join(cluster, "postmaster.pid")
  database =
    lambda do |what|
      if what == :start
        return(
          system(
            "bash",
            File.join(__dir__, "cluster.sh"),
            "start",
            cluster,
            ENV.fetch("STAIRWELL_CLUSTER_PORT"),
            out: File::NULL,
            err: File::NULL
          )
        )
      end

      pid = File.read(pid_file).to_i if File.exist?(pid_file)
      pid&.positive? && !Process.kill(0, pid).nil?
    rescue Errno::ESRCH
      false
    rescue Errno::EPERM
      true
    end
end
exit Supervisor.new(children, database: database).run
