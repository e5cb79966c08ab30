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
          Sequel.connect(Jobs.contexts.settings.keeper_url, max_connections: 1) do |db|
            db.transaction do
              db.get(Sequel.function(:set_config, "stairwell.studio", studio_id.to_s, true))
              db.get(Sequel.function(:erase_as_asked, student_id))
            end
          end
          Jobs.contexts.news.tell(studio_id, by: nil)
        end
      end
    end
  end
end
