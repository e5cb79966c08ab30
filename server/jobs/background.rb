# frozen_string_literal: true

require "que"

module Stairwell
  module Server
    # Work that takes longer than a request should. Jobs lie in the database, so
    # none is lost when the server stops; they are worked on beside the web server,
    # or by a process of their own.
    module Jobs
      # How urgent a job is: the smaller the sooner. Whatever says nothing comes last.
      MAIL = 10
      WAITED_FOR = 50

      class << self
        # @return [StudioContexts] where jobs work
        attr_accessor :contexts

        # Lets jobs be put in the same transaction as what they are about.
        # @param contexts [StudioContexts]
        # @return [void]
        def prepare(contexts)
          self.contexts = contexts
          Que.connection_proc = ->(&use) { connection(contexts.at_work.db, &use) }
          Que.logger = nil
        end

        # One that failed is told to the pool, which otherwise would hand it out again.
        private def connection(db)
          db.synchronize do |connection|
            yield connection
          rescue PG::ConnectionBad,
                 PG::UnableToSend,
                 Que::Utils::Assertions::AssertionFailed => error
            # The gem counts its connections by their process, which a lost one has no more.
            raise if connection.status == PG::CONNECTION_OK

            raise Sequel.convert_exception_class(error, Sequel::DatabaseDisconnectError)
          end
        end

        # Begins to work on jobs, in threads of this process.
        # @return [Crew] stop it with #stop
        def start = Crew.start(contexts.settings.queue_url)
      end
    end
  end
end
