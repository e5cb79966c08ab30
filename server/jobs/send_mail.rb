# frozen_string_literal: true

require_relative "background"

module Stairwell
  module Server
    module Jobs
      # Sends a mail of the outbox through the studio's mail server. Where that does
      # not take it, the outbox says why, and it is tried again.
      class SendMail < Que::Job
        self.priority = MAIL

        # @param studio_id [Integer]
        # @param id [Integer] of the outbox
        def run(studio_id, id)
          @context = Jobs.contexts.of_studio(studio_id)
          row = @context.read { |tables| tables[:outbox].first(id: id, sent_at: nil) }
          return unless row

          deliver(row)
          note(id, sent_at: Sequel.function(:clock_timestamp), trouble: nil)
        rescue *Mailer::TROUBLES => error
          note(id, trouble: error.message[0, 300])
          raise
        end

        private

        def note(id, **values) =
          @context.write { |tables| tables[:outbox].where(id: id).update(values) }

        def deliver(row) =
          Mailer.new(Jobs.contexts.settings.smtp).deliver(
            to: row[:recipient],
            subject: row[:subject],
            body: row[:body]
          )
      end
    end
  end
end
