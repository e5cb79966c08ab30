# frozen_string_literal: true

require "securerandom"

module Stairwell
  module Server
    module Repositories
      # Invitations into a studio: links, signed by the database, that open once and for some days.
      class Invitations
        # @param tables [Tables]
        def initialize(tables)
          @tables = tables
        end

        # @return [Array<Hash>] rows of those that can still be used, each with its :token
        def open = with_token.order(:id).all

        # @return [Hash, nil] one of them
        def find(id) = with_token.first(id: id)

        # @return [Hash] the row
        def add(role:, email:, by:)
          @tables.add(
            :invitations,
            role: role,
            email: email,
            nonce: SecureRandom.hex(16),
            made_by: by,
            ends_at: Sequel.lit("now() + ? * interval '1 day'", Limits::INVITED_DAYS)
          )
        end

        # @raise [MissingError]
        def withdraw(id)
          if in_force.where(id: id).update(withdrawn_at: Sequel::CURRENT_TIMESTAMP).zero?
            raise MissingError, Phrase["server.people.invitation"]
          end
        end

        # @param id [Integer]
        # @return [Hash] its row
        # @raise [Problem] 404 for one that is over
        def behind(id) = in_force.first(id: id) || raise(self.class.over)

        # Two who use it at once: one of them comes late.
        # @raise [Problem] 404
        def use(row, account_id)
          if in_force
               .where(id: row[:id])
               .update(used_by: account_id, used_at: Sequel::CURRENT_TIMESTAMP)
               .zero?
            raise self.class.over
          end
        end

        # @return [Problem]
        def self.over =
          Problem.new(404, Phrase["server.people.invitation_over"], code: "invitation_over")

        private

        def with_token =
          in_force.select_all(:invitations).select_append(
            SheetLinks.token(:invitations, "invitation")
          )

        # Also where a membership was changed by other means, none opens whose maker may not invite.
        def in_force =
          @tables[:invitations]
            .where(used_at: nil, withdrawn_at: nil)
            .where(Sequel[:ends_at] > Sequel.function(:now))
            .where(made_by: Members.new(@tables).who_may(:run))
      end
    end
  end
end
