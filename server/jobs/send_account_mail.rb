# frozen_string_literal: true

require_relative "background"

module Stairwell
  module Server
    module Jobs
      # Mails a person what is for them alone, and never lies in the studio's outbox: links
      # for a new password or address, and that something was changed. The job holds no link:
      # it is made when it is sent.
      class SendAccountMail < Que::Job
        self.priority = MAIL

        # @param kind [String] of {AccountMail::KINDS}
        # @param whom [Integer, String] account; the address that was typed, where a link
        #   for a new password is asked for
        # @param to [String, nil] an address that is no longer the account's
        def run(kind, whom, to = nil)
          contexts = Jobs.contexts
          return unless contexts.settings.smtp

          case kind.to_sym
          when :forgotten
            keeper(contexts).reset_password_request(account_login: whom)
          when :address
            keeper(contexts).internal_request_eval(account_id: whom) { send_address_link }
          else
            AccountMail.new(contexts).deliver(
              kind.to_sym,
              to || contexts.keeper.db[:accounts].where(id: whom).get(:email)
            )
          end
        rescue Rodauth::InternalRequestError
          nil # nobody has that address, or a link is on its way already
        end

        private

        def keeper(contexts) = Auth.within(contexts, contexts.keeper)
      end
    end
  end
end
