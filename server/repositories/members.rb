# frozen_string_literal: true

module Stairwell
  module Server
    module Repositories
      # Who belongs to a studio. A row stays when a person leaves: what they did stays under
      # their name.
      class Members
        # @param tables [Tables]
        def initialize(tables)
          @tables = tables
        end

        # @return [Array<Hash>] :id, :name, :email, :role, and how many :students they teach
        def list
          taught = Students.here(@tables).where(teacher_id: Sequel[:memberships][:account_id]).select { count.function.* }
          here.join(:accounts, id: :account_id).order(:name, :id).select(:id, :name, :email, :role, taught.as(:students)).all
        end

        # @param account_id [Integer]
        # @param role [String]
        # @return [void] they belong to it from now on, again where they had left
        def join(account_id, role)
          rows = @tables.db[:memberships].insert_conflict(target: %i[studio_id account_id], update: {role: role, left_at: nil}, update_where: Sequel.~(Sequel[:memberships][:left_at] => nil))
          rows.insert(studio_id: @tables.studio_id, account_id: account_id, role: role)
        end

        # @raise [MissingError, Problem]
        def change(id, role)
          one(id)
          another_owner!(id) unless role == "owner"
          here.where(account_id: id).update(role: role)
        end

        # @param to [Integer, nil] who takes over their students
        # @raise [MissingError, Problem]
        def remove(id, to:)
          person = one(id)
          another_owner!(id)
          @tables[:students].where(teacher_id: id).update(teacher_id: one(to)[:account_id], version: Sequel[:version] + 1) if to
          raise Problem.new(422, Phrase["server.people.has_students", name: name(person)], code: "has_students", field: "to") if Students.here(@tables).where(teacher_id: id).any?

          here.where(account_id: id).update(left_at: Sequel::CURRENT_TIMESTAMP)
        end

        private

        def here = @tables[:memberships].where(left_at: nil)

        def one(id) = here.where(account_id: id).first || raise(MissingError, Phrase["server.people.person"])

        def name(person) = @tables.db[:accounts].where(id: person[:account_id]).get(:name)

        # Two owners who make each other something else at once wait for each other.
        def another_owner!(id)
          owners = here.where(role: "owner").for_update.select_map(:account_id)
          raise Problem.new(422, Phrase["server.people.last_owner"], code: "last_owner") if owners == [id]
        end
      end
    end
  end
end
