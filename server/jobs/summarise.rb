# frozen_string_literal: true

require_relative "background"

module Stairwell
  module Server
    module Jobs
      # Makes the summaries of a studio's students that are not fresh, some at a time.
      class Summarise < Que::Job
        # Puts it where it is needed, unless it lies there already: one statement either
        # way.
        # @param context [StudioContext]
        # @param needed [Boolean]
        # @return [void]
        def self.soon(context, needed)
          jobs, args = context.store.db[:que_jobs], Sequel.lit("?::jsonb", "[#{context.studio_id}]")
          lying =
            jobs.where(job_class: name, finished_at: nil, expired_at: nil).where(
              Sequel.lit("args = ?", args)
            )
          one =
            jobs.db.select(
              Sequel.as(name, :job_class),
              Sequel.as(args, :args),
              Sequel.lit("'{}'::jsonb").as(:kwargs),
              Sequel.as(Que.job_schema_version, :version)
            )
          jobs.insert(
            %i[job_class args kwargs job_schema_version],
            one.where(needed).exclude(lying.exists)
          )
        end

        # @param studio_id [Integer]
        def run(studio_id)
          overview = Features::Overview.new(Jobs.contexts.of_studio(studio_id))
          rounds = 0
          rounds += 1 while rounds < Limits::SUMMARY_ROUNDS && overview.freshen
          overview.learn if rounds.positive?
        end
      end
    end
  end
end
