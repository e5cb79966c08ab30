# frozen_string_literal: true

require "securerandom"

module Stairwell
  module Server
    module Repositories
      # Private links to one student's sheet: the database signs them.
      class SheetLinks
        # What the database signs a link of a row with.
        # @param table [Symbol]
        # @param kind [String]
        # @return [Sequel::SQL::AliasedExpression] :token
        def self.token(table, kind) =
          Sequel.function(:link_token, kind, Sequel[table][:id], Sequel[table][:nonce]).as(:token)

        # @param tables [Tables]
        def initialize(tables)
          @tables = tables
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
          token = live(student_id).get(self.class.token(:sheet_links, "sheet"))
          token && self.class.address(token)
        end

        # @param token [String]
        # @return [String]
        def self.address(token) = "/s/#{token}"

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
            .select(Sequel[:students][:name], self.class.token(:sheet_links, "sheet"))
            .map { |link| { name: link[:name], path: self.class.address(link[:token]) } }
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

        # @param id [Integer] of a link
        # @return [Integer] the student's id
        # @raise [Problem] 404 for one that was withdrawn
        def student_id(id) =
          @tables[:sheet_links].where(id: id, withdrawn_at: nil).get(:student_id) ||
            raise(self.class.unknown)

        private

        def live(student_id) =
          @tables[:sheet_links].where(student_id: student_id, withdrawn_at: nil)
      end
    end
  end
end
