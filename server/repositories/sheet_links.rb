# frozen_string_literal: true

require "securerandom"

module Stairwell
  module Server
    module Repositories
      # Private links to one student's sheet: see {SignedLink}.
      class SheetLinks
        # @param tables [Tables]
        # @param secret [String]
        def initialize(tables, secret)
          @tables = tables
          @secret = secret
        end

        # @return [Problem]
        def self.unknown = Problem.new(404, Phrase["server.sheet_links.this_link_is_not_in_use"], code: "link_unknown")

        # @param student_id [Integer]
        # @return [String, nil] address of the sheet, where a link is in force
        def path(student_id)
          link = live(student_id).first
          link && "/s/#{SignedLink.token(link, @secret)}"
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
          found = SignedLink.row(@tables[:sheet_links].where(withdrawn_at: nil), token, @secret)
          found ? found[:student_id] : raise(self.class.unknown)
        end

        private

        def live(student_id) = @tables[:sheet_links].where(student_id: student_id, withdrawn_at: nil)
      end
    end
  end
end
