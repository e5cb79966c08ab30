# frozen_string_literal: true

require_relative "background"

module Stairwell
  module Server
    module Jobs
      # Makes the summaries of a studio's students that are not fresh, some at a time.
      class Summarise < Que::Job
        # Rounds before it stops. Own choice: far more than any studio needs.
        MOST = 400

        # Puts it, unless it lies there or is at work already.
        # @param desk [Desk]
        # @return [void]
        def self.soon(desk)
          lying = desk.db[:que_jobs].where(job_class: name, finished_at: nil, expired_at: nil).where(Sequel.lit("args = ?::jsonb", "[#{desk.studio_id}]"))
          enqueue(desk.studio_id) if lying.empty?
        end

        # @param studio_id [Integer]
        def run(studio_id)
          MOST.times do
            left = Jobs.desks.for_studio(studio_id) { |desk| Services::Overview.new(desk).freshen }
            break if left.zero?
          end
        end
      end
    end
  end
end
