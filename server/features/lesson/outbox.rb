# frozen_string_literal: true

module Stairwell
  module Server
    module Features
      # Mail of the studio.
      class Outbox
        # @param context [StudioContext]
        def initialize(context)
          @context = context
        end

        # @return [Array<Hash>] the newest first; see the contract's Letter
        def list
          rows = @context.read { |tables| Repositories::Outbox.new(tables).list }
          rows.map { |row| row.slice(:id, :recipient, :subject, :body, :trouble).merge(made_at: row[:made_at].utc.iso8601, sent_at: row[:sent_at]&.utc&.iso8601) }
        end
      end
    end
  end
end
