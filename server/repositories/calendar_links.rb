# frozen_string_literal: true

require "securerandom"

module Stairwell
  module Server
    module Repositories
      # Private links to a calendar, a teacher's or a student's: the database signs them.
      class CalendarLinks
        # @param tables [Tables]
        def initialize(tables)
          @tables = tables
        end

        # @param token [String]
        # @return [String]
        def self.address(token) = "/api/calendars/#{token}"

        # @param whose [Hash] account_id: or student_id:
        # @return [String, nil] path of the calendar, where a link is in force
        def path(whose) =
          live
            .where(whose)
            .get(SheetLinks.token(:calendar_links, "calendar"))
            &.then { |token| self.class.address(token) }

        # Withdraws the link in force, if any, and makes another. Two at once wait for each
        # other.
        # @return [void]
        def renew(whose)
          owner =
            (
              if whose[:student_id]
                @tables[:students].where(id: whose[:student_id])
              else
                @tables[:memberships].where(whose)
              end
            )
          owner.for_update.get(:studio_id)
          withdraw(whose)
          @tables.add(:calendar_links, **whose, nonce: SecureRandom.hex(16))
        end

        # @return [void]
        def withdraw(whose) = live.where(whose).update(withdrawn_at: Sequel::CURRENT_TIMESTAMP)

        # @param id [Integer]
        # @return [Hash] the row
        # @raise [Problem] 404 for one that was withdrawn
        def find(id) = live.first(id: id) || raise(SheetLinks.unknown)

        private

        def live = @tables[:calendar_links].where(withdrawn_at: nil)
      end
    end
  end
end
