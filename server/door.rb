# frozen_string_literal: true

module Stairwell
  module Server
    # What a transaction comes into a studio by. The database looks at it itself and gives a pass
    # that ends with the transaction; the app's role has no other way in
    # (`db/migrations/047_doors.rb`).
    module Door
      # A person's session, by what its print was made from.
      Session =
        Stairwell.value(:shown) do
          # @param db [Sequel::Database] in a transaction
          # @return [Integer, nil] the person's account, whose memberships can be read from then on
          def person(db) = db.get(Sequel.function(:enter_as, shown))

          # @return [Boolean]
          def enter(db, studio_id) = db.get(Sequel.function(:enter_studio, shown, studio_id))

          # @return [Problem] for who came in before and doesn't any more
          def shut =
            Problem.new(401, Phrase["server.guards.sign_in_first"], code: "sign_in", field: nil)
        end

      # A private link, into the studio it names.
      Link =
        Stairwell.value(:kind, :token) do
          # @return [Integer, nil] the number of the link's row
          def row_id(db) = db.get(Sequel.function(:enter_by_link, kind, token))

          # @return [Boolean]
          def enter(db, _studio_id) = !row_id(db).nil?

          # @return [Problem]
          def shut = Repositories::SheetLinks.unknown
        end

      # Jobs, and commands on the server itself: another role of the database, which the web server
      # doesn't know the password of.
      Keeper =
        Stairwell.value(account_id: nil) do
          # @return [Integer, nil]
          def person(db) = account_id && db.get(Sequel.function(:enter_as_anyone, account_id))

          # @return [Boolean]
          def enter(db, studio_id) = db.get(Sequel.function(:enter_any_studio, studio_id))

          # @return [Problem]
          def shut = Problem.new(404, Phrase["server.people.no_such_studio"], code: "no_studio")
        end
    end
  end
end
