# frozen_string_literal: true

module Stairwell
  module Server
    module Features
      # Mail of the studio: what was sent, what the mail server did not take, and what nobody can
      # get.
      class Outbox
        # Days after which a recap that was not sent is told no more. Own choice.
        DAYS = 28
        private_constant :DAYS

        # @param context [StudioContext]
        def initialize(context)
          @context = context
        end

        # @return [Array<Hash>] the newest first; see the contract's Letter
        def list
          rows = @context.read { |tables| Repositories::Outbox.new(tables).list }
          rows.map do |row|
            row.slice(:id, :recipient, :subject, :body, :trouble).merge(
              made_at: row[:made_at].utc.iso8601,
              sent_at: row[:sent_at]&.utc&.iso8601,
              state: state(row)
            )
          end
        end

        # @return [Hash] drafts: and unaddressed:, see the contract's Unsent
        def unsent
          since = @context.today - DAYS
          @context
            .read do |tables|
              Repositories::Outbox
                .new(tables)
                .then do |outbox|
                  { drafts: outbox.drafts(since), unaddressed: outbox.unaddressed(since) }
                end
            end
            .transform_values { |rows| rows.map { |row| row.merge(day: row[:day].to_s) } }
        end

        # Gives a letter to the mail server once more, at once.
        # @param id [Integer]
        # @return [Array<Hash>] as {#list}
        # @raise [Problem] 409 where it was sent meanwhile, 422 where no mail server is known
        def again(id)
          unless @context.settings.smtp
            raise Problem.new(422, Phrase["server.outbox.no_mail_server"], code: "no_mail")
          end

          @context.write do |tables|
            outbox = Repositories::Outbox.new(tables)
            letter = outbox.find(id)
            Rights.with_student!(
              @context,
              tables,
              Repositories::Students.new(tables).find(letter[:student_id]),
              :hear
            )
            if letter[:sent_at]
              raise Problem.new(409, Phrase["server.outbox.sent_already"], code: "sent")
            end

            outbox.forget_trouble(id)
            Jobs::SendMail.enqueue(@context.studio_id, id)
          end
          list
        end

        private

        def state(row)
          return "sent" if row[:sent_at]
          return "failed" if row[:trouble]

          @context.settings.smtp ? "sending" : "waiting"
        end
      end
    end
  end
end
