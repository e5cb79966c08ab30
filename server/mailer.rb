# frozen_string_literal: true

require "mail"

module Stairwell
  module Server
    # Gives mail to the mail server.
    class Mailer
      # What a mail server that is away, or does not take a mail, looks like.
      TROUBLES = [
        SystemCallError,
        SocketError,
        Net::OpenTimeout,
        Net::ReadTimeout,
        Net::SMTPError,
        OpenSSL::SSL::SSLError
      ].freeze

      # @param smtp [Settings::Smtp]
      def initialize(smtp)
        @smtp = smtp
      end

      # @param to [String]
      # @param subject [String]
      # @param body [String]
      # @return [void]
      # @raise [Exception] of {TROUBLES}
      def deliver(to:, subject:, body:)
        mail = Mail.new(from: @smtp.from, to: to, subject: subject, body: body, charset: "UTF-8")
        mail.delivery_method(
          :smtp,
          address: @smtp.host,
          port: @smtp.port,
          user_name: @smtp.user,
          password: @smtp.password,
          enable_starttls_auto: true,
          open_timeout: 10,
          read_timeout: 20
        )
        mail.deliver!
      end
    end
  end
end
