# frozen_string_literal: true

require_relative "background"

module Stairwell
  module Server
    module Jobs
      # Makes the summaries of a studio's students that are not fresh, some at a time.
      class Summarise < Que::Job
        # Students at a time. Own choice: a snapshot of some seconds at the most.
        SOME = 8
        # Rounds before it stops. Own choice: far more than any studio needs.
        MOST = 400

        # Puts it, unless it lies there already.
        # @param context [StudioContext]
        # @return [void]
        def self.soon(context)
          lying = context.store.db[:que_jobs].where(job_class: name, finished_at: nil, expired_at: nil).where(Sequel.lit("args = ?::jsonb", "[#{context.studio_id}]"))
          enqueue(context.studio_id) if lying.empty?
        end

        # @param studio_id [Integer]
        def run(studio_id)
          context = Jobs.contexts.of_studio(studio_id)
          MOST.times do
            ids = context.read { |tables| Repositories::Summaries.new(tables, context.today).stale(SOME) }
            break if ids.empty?

            Features::Overview.new(context).summarise(ids)
          end
        end
      end
    end
  end
end
