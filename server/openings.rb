# frozen_string_literal: true

require "openssl"
require "securerandom"

module Stairwell
  module Server
    # One-time codes by which a studio is opened: the start prints one, so that only who
    # sees the server can take it.
    class Openings
      # Letters that are not mistaken for another, and none that would make words.
      LETTERS = "BCDFGHJKMNPQRTVWXZ346789".chars.freeze
      # 12 letters of 24 are 55 bits; with the rate of tries nobody guesses one in a day.
      LENGTH = 12

      # @param db [Sequel::Database]
      # @param settings [Settings]
      def initialize(db, settings)
        @db = db
        @settings = settings
      end

      # Makes a code, as the database's owner; those before it open nothing more.
      # @return [String] such as "K3MQ-7TXB-9DPF"
      def make
        letters = Array.new(LENGTH) { LETTERS[SecureRandom.random_number(LETTERS.size)] }
        @db.transaction do
          @db[:openings].where(used_at: nil).update(used_at: Sequel::CURRENT_TIMESTAMP)
          @db[:openings].insert(
            print: print(letters.join),
            ends_at: Sequel.lit("now() + interval '1 day'")
          )
        end
        letters.each_slice(4).map(&:join).join("-")
      end

      # @param code [String] as typed: in any case, with or without the dashes
      # @return [void]
      # @raise [Problem] 422 where it opens nothing
      def known!(code) = in_force(code).any? || raise(unknown)

      # @param code [String] as {#known!}
      # @return [void]
      # @raise [Problem] 422
      def use(code)
        raise unknown if in_force(code).update(used_at: Sequel::CURRENT_TIMESTAMP).zero?
      end

      private

      def in_force(code) =
        @db[:openings].where(print: print(code.upcase.gsub(/[^A-Z0-9]/, "")), used_at: nil).where(
          Sequel[:ends_at] > Sequel.function(:now)
        )

      def unknown =
        Problem.new(422, Phrase["server.people.code_unknown"], code: "code", field: "code")

      def print(letters) = OpenSSL::HMAC.hexdigest("SHA256", @settings.opening_secret, letters)
    end
  end
end
