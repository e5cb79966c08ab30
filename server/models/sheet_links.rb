# frozen_string_literal: true

require "openssl"
require "securerandom"

module Stairwell
  module Server
    module Models
      # Private links to one student's sheet: `studio.link.signature`. Only the
      # server can sign one, a withdrawn link opens nothing, and the link says
      # itself in which studio to look.
      class SheetLinks
        TOKEN = /\A([0-9a-z]{1,12})\.([0-9a-z]{1,12})\.([0-9a-f]{32})\z/

        def initialize(desk)
          @desk = desk
        end

        # @param token [String]
        # @return [Array(Integer, Integer), nil] studio and link id as claimed
        def self.claimed(token)
          found = TOKEN.match(token)
          found && [found[1].to_i(36), found[2].to_i(36)]
        end

        # @return [Hash, nil] the link in force
        def live(student_id) = @desk[:sheet_links].first(student_id: student_id, withdrawn_at: nil)

        # Withdraws the link in force, if any, and makes another.
        # @return [Hash]
        def renew(student_id)
          withdraw(student_id)
          @desk.add(:sheet_links, student_id: student_id, nonce: SecureRandom.hex(16))
        end

        # @return [void]
        def withdraw(student_id) = @desk[:sheet_links].where(student_id: student_id, withdrawn_at: nil).update(withdrawn_at: Sequel::CURRENT_TIMESTAMP)

        # @param link [Hash] row
        # @return [String]
        def token(link)
          parts = [@desk.studio_id.to_s(36), link[:id].to_s(36)]
          [*parts, OpenSSL::HMAC.hexdigest("SHA256", @desk.settings.link_secret, [*parts, link[:nonce]].join("."))[0, 32]].join(".")
        end

        # @param token [String]
        # @return [Integer] the student's id
        # @raise [Problem] 404 for a withdrawn, forged or garbled link alike
        def student_id(token)
          _, id = self.class.claimed(token)
          link = id && id < 2**62 && @desk[:sheet_links].first(id: id, withdrawn_at: nil)
          return link[:student_id] if link && OpenSSL.secure_compare(token(link), token)

          raise self.class.unknown
        end

        # @return [Problem]
        def self.unknown
          Problem.new(404, "This link is not in use any more. Ask your teacher for a new one.", code: "link_unknown")
        end
      end
    end
  end
end
