# frozen_string_literal: true

require_relative "background"

module Stairwell
  module Server
    module Jobs
      # Mails an invitation to whom it is for. It is no mail of the outbox, which everyone in
      # the studio reads: whoever has the link could be whom it makes.
      class SendInvitation < Que::Job
        self.priority = MAIL

        # @param studio_id [Integer]
        # @param id [Integer] of the invitation
        def run(studio_id, id)
          context = Jobs.contexts.of_studio(studio_id)
          settings = context.settings
          row = context.read { |tables| Repositories::Invitations.new(tables).find(id) }
          return unless row && settings.smtp

          by = context.store.db[:accounts].where(id: row[:made_by]).get(:name)
          Locales.with(context.locale) do
            said = {
              name: by,
              studio: context.studio[:name],
              day: Phrase.day(context.date_of(row[:ends_at]), :full),
              link: "#{settings.address}/join##{row[:token]}"
            }
            Mailer.new(settings.smtp).deliver(
              to: row[:email],
              subject: Phrase["server.people.invite_subject", **said.slice(:studio)].to_s,
              body: Phrase["server.people.invite_body", **said].to_s
            )
          end
        end
      end
    end
  end
end
