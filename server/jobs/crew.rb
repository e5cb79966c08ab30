# frozen_string_literal: true

require_relative "background"

module Stairwell
  module Server
    module Jobs
      # Works on jobs in threads of this process, until it is told to stop. A connection that fails
      # ends none of it: whoever had it goes on with another, and where the database is away it is
      # waited for.
      class Crew
        # What one of the threads takes: the first nothing but mail, the second also what somebody
        # waits for, the last everything. Mail so never waits for planning.
        PRIORITIES = [MAIL, WAITED_FOR, nil].freeze
        # Seconds until the database is asked again. Own choice.
        PAUSE = 0.5
        private_constant :PRIORITIES, :PAUSE

        # Begins.
        # @param queue_url [String] of the role that waits for jobs
        # @return [Crew]
        def self.start(queue_url) = new(queue_url).tap(&:start)

        # @param queue_url [String]
        def initialize(queue_url)
          @queue_url = queue_url
          @stopping = false
        end

        # @return [void]
        def start
          @thread = Thread.new { work until @stopping }
        end

        # Waits for the jobs that are being worked on.
        # @return [void]
        def stop
          @stopping = true
          @locker&.stop
          @thread.join
        end

        private

        def work
          @locker =
            Que::Locker.new(
              connection_url: @queue_url,
              worker_priorities: PRIORITIES,
              poll_interval: 2
            )
          @locker.stop if @stopping
          @locker.wait_for_stop
        rescue *LOST
          nil
        ensure
          sleep PAUSE unless @stopping
        end

        # What a connection that failed looks like.
        LOST = [PG::Error, Sequel::Error].freeze

        # A thread that lost its connection hands its job back and takes the next.
        module Undaunted
          private

          def work_loop
            super
          rescue *LOST
            @result_queue.push(metajob: @taken, message_type: :job_finished) if @taken
            @taken = nil
            sleep PAUSE
            retry
          end

          def fetch_next_metajob = @taken = super
        end

        # What waits for jobs ends with its connection, and its threads once they have done theirs:
        # another takes its place.
        module Replaceable
          private

          def work_loop
            super
          rescue *LOST
            @job_buffer.stop
            @workers.each(&:wait_until_stopped)
          end
        end
        private_constant :LOST, :Undaunted, :Replaceable

        Que::Worker.prepend(Undaunted)
        Que::Locker.prepend(Replaceable)
      end
    end
  end
end
