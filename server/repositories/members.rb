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

        # @return [Array<Hash>] :id, :name, :email, :role, how many :students they teach, and
        #   whether anything would have to be handed on (:teaches)
        def list
          id = Sequel[:memberships][:account_id]
          some_time =
            Sequel.lit(
              "more_lessons @> jsonb_build_array(jsonb_build_object('teacher_id', memberships.account_id))"
            )
          taught = Students.here(@tables).where(Sequel.|({ teacher_id: id }, some_time))
          classes = @tables[:classes].where(teacher_id: id)
          here
            .join(:accounts, id: :account_id)
            .order(:name, :id)
            .select(
              :id,
              :name,
              :email,
              :role,
              taught.select { count.function.* }.as(:students),
              Sequel.|(taught.exists, classes.exists).as(:teaches)
            )
            .all
        end

        # @return [Hash{Integer => String}] names of all, those who left among them
        def names =
          @tables[:memberships].join(:accounts, id: :account_id).select_hash(
            Sequel[:accounts][:id],
            Sequel[:accounts][:name]
          )

        # @param account_id [Integer]
        # @param role [String]
        # @return [void] they belong to it from now on, again where they had left
        def join(account_id, role)
          rows =
            @tables.db[:memberships].insert_conflict(
              target: %i[studio_id account_id],
              update: {
                role: role,
                left_at: nil
              },
              update_where: Sequel.~(Sequel[:memberships][:left_at] => nil)
            )
          rows.insert(studio_id: @tables.studio_id, account_id: account_id, role: role)
        end

        # @raise [MissingError, Problem]
        def change(id, role, today:)
          one(id)
          another_owner!(id) unless role == "owner"
          here.where(account_id: id).update(role: role)
          end_handed_out(id, today)
        end

        # @param to [Integer, nil] who takes over their students
        # @param today [Date]
        # @raise [MissingError, Problem]
        def remove(id, to:, today:)
          person = one(id)
          another_owner!(id)
          hand_on(id, one(to)[:account_id], today) if to
          if teaching?(id)
            raise Problem.new(
                    422,
                    Phrase["server.people.has_students", name: name(person)],
                    code: "has_students",
                    field: "to"
                  )
          end

          here.where(account_id: id).update(left_at: Sequel::CURRENT_TIMESTAMP)
          end_handed_out(id, today)
          end_covers(id, today)
        end

        # @raise [Problem] 422 for who teaches nobody here
        def teaches!(account_id)
          return if here.where(account_id: account_id, role: %w[owner teacher]).any?

          raise Problem.new(
                  422,
                  Phrase["server.people.no_teacher"],
                  code: "teacher",
                  field: "teacher_id"
                )
        end

        # @return [Array<Array(Integer, String)>] account and address of every owner
        def owners =
          here
            .where(role: "owner")
            .join(:accounts, id: :account_id)
            .select_map([Sequel[:accounts][:id], :email])

        # @param right [Symbol] of {Rights}
        # @return [Sequel::Dataset] accounts of those who have it now
        def who_may(right) = here.where(role: Rights::MAY.fetch(right)).select(:account_id)

        private

        # Everyone they teach every week, and lessons to come that are theirs to hold.
        def hand_on(id, to, today)
          @tables[:students].where(teacher_id: id).update(
            teacher_id: to,
            version: Sequel[:version] + 1
          )
          times =
            Sequel.lit(
              "(SELECT jsonb_agg(CASE WHEN (one ->> 'teacher_id')::bigint = ? THEN jsonb_set(one, '{teacher_id}', to_jsonb(?::bigint)) ELSE one END) FROM jsonb_array_elements(more_lessons) AS one)",
              id,
              to
            )
          at_some_time(id).update(more_lessons: times, version: Sequel[:version] + 1)
          @tables[:classes].where(teacher_id: id).update(
            teacher_id: to,
            version: Sequel[:version] + 1
          )
          @tables[:appointments]
            .where(teacher_id: id)
            .where(Sequel[:day] >= today)
            .update(teacher_id: to, version: Sequel[:version] + 1)
        end

        # What a person handed out ends with their right to hand it out, and does not come back
        # with it.
        def end_handed_out(id, today)
          ended = { withdrawn_at: Sequel::CURRENT_TIMESTAMP }
          lost = ->(right) { who_may(right).where(account_id: id).empty? }
          if lost.call(:run)
            @tables[:invitations].where(made_by: id, used_at: nil, withdrawn_at: nil).update(ended)
          end
          waiting =
            @tables[:covers].where(made_by: id, withdrawn_at: nil).where(Sequel[:first_day] > today)
          own = Sequel.|({ away_id: id }, { cover_id: id })
          waiting.exclude(own).update(ended) if lost.call(:run)
          waiting.where(own).update(ended) if lost.call(:teach)
        end

        # Nobody who has left is away or stands in.
        def end_covers(id, today)
          @tables[:covers]
            .where(withdrawn_at: nil)
            .where(Sequel.|({ away_id: id }, { cover_id: id }))
            .where(Sequel[:last_day] >= today)
            .update(withdrawn_at: Sequel::CURRENT_TIMESTAMP)
        end

        def teaching?(id) =
          Students.here(@tables).where(teacher_id: id).any? ||
            at_some_time(id).where(left_on: nil).any? ||
            @tables[:classes].where(teacher_id: id).any?

        def at_some_time(id) =
          @tables[:students].where(
            Sequel.lit(
              "more_lessons @> jsonb_build_array(jsonb_build_object('teacher_id', ?::bigint))",
              id
            )
          )

        def here = @tables[:memberships].where(left_at: nil)

        def one(id) =
          here.where(account_id: id).first || raise(MissingError, Phrase["server.people.person"])

        def name(person) = @tables.db[:accounts].where(id: person[:account_id]).get(:name)

        # Two owners who make each other something else at once wait for each other.
        def another_owner!(id)
          owners = here.where(role: "owner").for_update.select_map(:account_id)
          if owners == [id]
            raise Problem.new(422, Phrase["server.people.last_owner"], code: "last_owner")
          end
        end
      end
    end
  end
end
