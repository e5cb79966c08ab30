# frozen_string_literal: true

require_relative "background"

module Stairwell
  module Server
    module Jobs
      # Keeps the week as the family sees it on a day after missed ones, so that the next
      # lesson knows what stood on the sheet. Reading a sheet keeps nothing; the first box
      # that is ticked on a day puts this.
      class MendWeek < Que::Job
        # @param studio_id [Integer]
        # @param student_id [Integer]
        def run(studio_id, student_id)
          Repositories::Changes
            .new(Jobs.contexts.of_studio(studio_id))
            .act(student_id) { |record| Studio.mend(record) }
        rescue Error
          nil # a student who cannot be planned is told so at the lesson
        end
      end
    end
  end
end
