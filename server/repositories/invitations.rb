# frozen_string_literal: true

require "securerandom"

module Stairwell
  module Server
    module Repositories
      # Invitations into a studio: links ({SignedLink}) that open once and for some days.
      class Invitations
        # @param tables [Tables]
        # @param secret [String]
        def initialize(tables, secret)
          @tables = tables
          @secret = secret
        end

        # @return [Array<Hash>] rows of those that can still be used
        def open = in_force.order(:id).all

        # @return [Hash, nil] one of them
        def find(id) = in_force.first(id: id)

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

        # @param token [String]
        # @return [Hash] its row
        # @raise [Problem] 404 for one that is over, forged or garbled alike
        def behind(token) = SignedLink.row(in_force, token, @secret) || raise(self.class.over)

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
