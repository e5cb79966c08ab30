# frozen_string_literal: true

require "openssl"
require "securerandom"

module Stairwell
  module Server
    # Wrong passwords for an address, counted by the address for devices that are not known
    # and by the device for those that are: a stranger who guesses locks strangers out, and
    # not the person. An address that nobody has is counted alike.
    class Attempts
      COOKIE = "stairwell_device"

      # @param db [Sequel::Database]
      # @param secret [String] that prints are made with
      # @param email [String]
      # @param device [String, nil] what the device's cookie holds
      # @param session [String, nil] of who is signed in already
      def initialize(db, secret, email:, device: nil, session: nil)
        @db = db
        @secret = secret
        @email = email.to_s.strip.downcase
        @device = device
        @session = session
        @counts = Guards::Counts.new(db)
      end

      # @return [Boolean]
      def too_many? = @counts.read(key).to_i >= Limits::MOST_FAILURES

      # @return [void]
      def failed = @counts.increment(key, 1, expires_in: Limits::LOCKED_MINUTES * 60)

      # Opens the address again, whoever shut it.
      # @return [void]
      def forget = @counts.delete("failed/address/#{print(@email)}")

      # Knows the device from now on.
      # @param account_id [Integer]
      # @return [String] what its cookie is to hold
      def know(account_id)
        @counts.delete(key)
        return touch(account_id) if known?

        SecureRandom
          .hex(32)
          .tap do |device|
            @db[:account_devices].insert(account_id: account_id, print: print(device))
          end
      end

      private

      def key =
        @key ||=
          if @session
            "failed/session/#{print(@session)}"
          elsif known?
            "failed/device/#{print(@device)}"
          else
            "failed/address/#{print(@email)}"
          end

      def known?
        return @known if defined?(@known)

        @known =
          !@device.to_s.empty? &&
            @db[:account_devices]
              .where(print: print(@device))
              .where(
                account_id:
                  @db[:accounts].where(Sequel.function(:lower, :email) => @email).select(:id)
              )
              .any?
      end

      def touch(account_id)
        @db[:account_devices].where(account_id: account_id, print: print(@device)).update(
          last_use: Sequel::CURRENT_TIMESTAMP
        )
        @device
      end

      def print(text) = OpenSSL::HMAC.hexdigest("SHA256", @secret, text)
    end
  end
end
