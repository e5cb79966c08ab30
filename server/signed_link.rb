# frozen_string_literal: true

require "openssl"

module Stairwell
  module Server
    # Links that say themselves in which studio to look, and are signed: a copy of the
    # database opens none, and a row that is withdrawn opens nothing.
    module SignedLink
      TOKEN = /\A([0-9a-z]{1,12})\.([0-9a-z]{1,12})\.([0-9a-f]{32})\z/

      module_function

      # @param token [String]
      # @return [Array(Integer, Integer), nil] studio and id of the row, as claimed
      def claimed(token)
        found = TOKEN.match(token)
        found && [found[1].to_i(36), found[2].to_i(36)]
      end

      # @param row [Hash] :studio_id, :id, :nonce
      # @param secret [String] of this kind of link
      # @return [String]
      def token(row, secret)
        parts = row.values_at(:studio_id, :id).map { |id| id.to_s(36) }
        [
          *parts,
          OpenSSL::HMAC.hexdigest("SHA256", secret, [*parts, row[:nonce]].join("."))[0, 32]
        ].join(".")
      end

      # @param rows [Sequel::Dataset] those in force, of one studio
      # @return [Hash, nil] the row whose link it is; nil for a withdrawn, forged or garbled
      #   one alike
      def row(rows, token, secret)
        _, id = claimed(token)
        found = id && id < Store::MOST_ID && rows.first(id: id)
        found if found && OpenSSL.secure_compare(token(found, secret), token)
      end
    end
  end
end
