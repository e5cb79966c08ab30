# frozen_string_literal: true

module Stairwell
  module Server
    # What is mailed about an account, to its person alone.
    class AccountMail
      # Each kind, and the page its link opens: the key stands behind the `#`, which no
      # browser sends to a server or puts into a log.
      KINDS = { forgotten: "/password", address: "/address", changed: nil, moved: nil }.freeze

      # @param contexts [StudioContexts]
      def initialize(contexts)
        @contexts = contexts
        @settings = contexts.settings
      end

      # @param kind [Symbol] of {KINDS}
      # @param key [String, nil]
      # @return [String, nil] the link
      def link(kind, key) = key && "#{@settings.address}#{KINDS.fetch(kind)}##{key}"

      # @param to [String] address
      # @return [void]
      # @raise [Exception] of {Mailer::TROUBLES}
      def deliver(kind, to, key: nil)
        Locales.with(language(to)) do
          body = Phrase["server.account_mail.#{kind}.body", link: link(kind, key).to_s].to_s
          Mailer.new(@settings.smtp).deliver(
            to: to,
            subject: Phrase["server.account_mail.#{kind}.subject"].to_s,
            body: body
          )
        end
      end

      private

      # The language of the person's studio; of someone without one, the first.
      def language(to)
        id =
          @contexts.keeper.db[:accounts].where(Sequel.function(:lower, :email) => to.downcase).get(
            :id
          )
        found = id && @contexts.keeper.studio_of(Door::Keeper.new(account_id: id))
        found ? found[:studio][:locale].to_sym : Locales::DEFAULT
      end
    end
  end
end
