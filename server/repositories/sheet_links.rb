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
        def self.unknown =
          Problem.new(
            404,
            Phrase["server.sheet_links.this_link_is_not_in_use"],
            code: "link_unknown"
          )

        # @param student_id [Integer]
        # @return [String, nil] address of the sheet, where a link is in force
        def path(student_id)
          link = live(student_id).first
          link && self.class.address(link, @secret)
        end

        # @param link [Hash] row
        # @return [String]
        def self.address(link, secret) = "/s/#{SignedLink.token(link, secret)}"

        # @param student_id [Integer]
        # @return [Array<Hash>] :name and :path of the sheets of brothers and sisters
        def family(student_id)
          own = @tables[:students].where(id: student_id).select(:family_id)
          @tables[:sheet_links]
            .where(withdrawn_at: nil)
            .join(:students, { studio_id: :studio_id, id: :student_id })
            .where(Sequel[:students][:family_id] => own, Sequel[:students][:left_on] => nil)
            .exclude(student_id: student_id)
            .order(Sequel[:students][:name])
            .select_all(:sheet_links)
            .select_append(Sequel[:students][:name])
            .all
            .map { |link| { name: link[:name], path: self.class.address(link, @secret) } }
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

        def live(student_id) =
          @tables[:sheet_links].where(student_id: student_id, withdrawn_at: nil)
      end
    end
  end
end
