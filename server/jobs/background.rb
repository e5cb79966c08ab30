# frozen_string_literal: true

require "que"

module Stairwell
  module Server
    # Work that takes longer than a request should. Jobs lie in the database, so
    # none is lost when the server stops; they are worked on beside the web server,
    # or by a process of their own.
    module Jobs
      class << self
        # @return [StudioContexts] where jobs work
        attr_accessor :contexts

        # Lets jobs be put in the same transaction as what they are about.
        # @param contexts [StudioContexts]
        # @return [void]
        def prepare(contexts)
          self.contexts = contexts
          Que.connection = contexts.store.db
          Que.logger = nil
        end

        # Begins to work on jobs, in threads of this process.
        # @return [Que::Locker] stop it with #stop!
        def start =
          Que::Locker.new(
            connection_url: contexts.settings.queue_url,
            worker_priorities: [nil] * Limits::JOBS_AT_ONCE,
            poll_interval: 2
          )
      end
    end
  end
end
