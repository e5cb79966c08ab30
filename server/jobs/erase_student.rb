# frozen_string_literal: true

require_relative "background"

module Stairwell
  module Server
    module Jobs
      # Erases a student a day after that was asked for, as a role the web server does not know.
      # Whether it is due, and was not stopped, the database decides.
      class EraseStudent < Que::Job
        # @param studio_id [Integer]
        # @param student_id [Integer]
        # @raise [KeyError] in a process that may erase nobody: another does it
        def run(studio_id, student_id)
          Jobs
            .contexts
            .keeper
            .in_studio(studio_id) { |db| db.get(Sequel.function(:erase_as_asked, student_id)) }
          Jobs.contexts.news.tell(studio_id, by: nil)
        end
      end
    end
  end
end
