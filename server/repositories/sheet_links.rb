# frozen_string_literal: true

require "openssl"
require "securerandom"

module Stairwell
  module Server
    module Repositories
      # Private links to one student's sheet. The link is signed: a copy of the database
      # opens no sheet, a withdrawn link opens nothing, and the link says itself in which
      # studio to look.
      class SheetLinks
        TOKEN = /\A([0-9a-z]{1,12})\.([0-9a-z]{1,12})\.([0-9a-f]{32})\z/

        # @param tables [Tables]
        # @param secret [String]
        def initialize(tables, secret)
          @tables = tables
          @secret = secret
        end

        # @param token [String]
        # @return [Array(Integer, Integer), nil] studio and link id as claimed
        def self.claimed(token)
          found = TOKEN.match(token)
          found && [found[1].to_i(36), found[2].to_i(36)]
        end

        # @return [Problem]
        def self.unknown = Problem.new(404, Phrase["server.sheet_links.this_link_is_not_in_use"], code: "link_unknown")

        # @param student_id [Integer]
        # @return [String, nil] address of the sheet, where a link is in force
        def path(student_id)
          link = live(student_id).first
          link && "/s/#{token(link)}"
        end

        # Withdraws the link in force, if any, and makes another. Two at once wait for each
        # other at the student, who has one link.
        # @return [void]
        def renew(student_id)
          @tables[:students].where(id: student_id).for_update.get(:id)
          withdraw(student_id)
          @tables.add(:sheet_links, student_id: student_id, nonce: SecureRandom.hex(16))
        end

        # @return [void]
        def withdraw(student_id) = live(student_id).update(withdrawn_at: Sequel::CURRENT_TIMESTAMP)

        # @param token [String]
        # @return [Integer] the student's id
        # @raise [Problem] 404 for a withdrawn, forged or garbled link alike
        def student_id(token)
          _, id = self.class.claimed(token)
          link = id && id < Store::MOST_ID && @tables[:sheet_links].first(id: id, withdrawn_at: nil)
          return link[:student_id] if link && OpenSSL.secure_compare(token(link), token)

          raise self.class.unknown
        end

        private

        def live(student_id) = @tables[:sheet_links].where(student_id: student_id, withdrawn_at: nil)

        def token(link)
          parts = [@tables.studio_id.to_s(36), link[:id].to_s(36)]
          [*parts, OpenSSL::HMAC.hexdigest("SHA256", @secret, [*parts, link[:nonce]].join("."))[0, 32]].join(".")
        end
      end
    end
  end
end
