# frozen_string_literal: true

require "securerandom"

module Stairwell
  module Server
    module Repositories
      # Private links to a calendar, a teacher's or a student's: see {SignedLink}.
      class CalendarLinks
        # @param tables [Tables]
        # @param secret [String]
        def initialize(tables, secret)
          @tables = tables
          @secret = secret
        end

        # @param link [Hash] row
        # @return [String]
        def self.address(link, secret) = "/api/calendars/#{SignedLink.token(link, secret)}"

        # @param whose [Hash] account_id: or student_id:
        # @return [String, nil] path of the calendar, where a link is in force
        def path(whose) = live.first(whose)&.then { |link| self.class.address(link, @secret) }

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

        # @param token [String]
        # @return [Hash] the row
        # @raise [Problem] 404 for a withdrawn, forged or garbled link alike
        def find(token) = SignedLink.row(live, token, @secret) || raise(SheetLinks.unknown)

        private

        def live = @tables[:calendar_links].where(withdrawn_at: nil)
      end
    end
  end
end
