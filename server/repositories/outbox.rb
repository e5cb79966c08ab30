# frozen_string_literal: true

module Stairwell
  module Server
    module Repositories
      # Mail as it would be sent.
      class Outbox
        # @param tables [Tables]
        def initialize(tables)
          @tables = tables
        end

        # @return [Array<Hash>] the newest first
        def list(limit: 100) = @tables[:outbox].reverse(:id).limit(limit).all

        # @return [Hash] the row
        def add(student_id, recipient:, subject:, body:, by:)
          @tables.add(:outbox, student_id: student_id, recipient: recipient, subject: subject, body: body, made_by: by)
        end
      end
    end
  end
end
