# frozen_string_literal: true

module Stairwell
  module Server
    module Features
      # The people of a studio: who they are, what they may do, who is invited, who leaves.
      class People
        # @param context [StudioContext]
        def initialize(context)
          @context = context
        end

        # @return [Hash] see the contract's People
        def show
          @context.read do |tables|
            {
              people:
                Repositories::Members
                  .new(tables)
                  .list
                  .map { |row| row.merge(you: row[:id] == @context.account_id) },
              own_students_only: @context.studio[:own_students_only],
              invitations: (run? ? invitations(tables).open.map { |row| invitation(row) } : [])
            }
          end
        end

        # @param role [String]
        # @param email [String, nil] where the link is mailed to; without one it is handed over
        # @return [Hash] as {#show}
        def invite(role:, email: nil)
          @context.write do |tables|
            row =
              invitations(tables).add(
                role: role,
                email: email&.strip&.downcase,
                by: @context.account_id
              )
            if row[:email] && @context.settings.smtp
              Jobs::SendInvitation.enqueue(@context.studio_id, row[:id])
            end
          end
          show
        end

        # @return [Hash] as {#show}
        # @raise [MissingError]
        def withdraw(id)
          @context.write { |tables| invitations(tables).withdraw(id) }
          show
        end

        # @param id [Integer] account
        # @return [Hash] as {#show}
        # @raise [Problem] 422 where no owner would be left
        def change(id, role:)
          @context.write do |tables|
            Repositories::Members.new(tables).change(id, role, today: @context.today)
          end
          show
        end

        # What a person did stays under their name; their students go to another teacher.
        # @param to [Integer, nil] account of the teacher who takes the students over
        # @return [Hash] as {#show}
        def remove(id, to: nil)
          @context.write do |tables|
            Repositories::Members.new(tables).remove(id, to: to, today: @context.today)
          end
          show
        end

        private

        def run? = Rights.of(@context.role).include?(:run)

        def invitations(tables) = Repositories::Invitations.new(tables)

        def invitation(row)
          {
            id: row[:id],
            role: row[:role],
            email: row[:email],
            ends_on: @context.date_of(row[:ends_at]).to_s,
            link: "#{@context.settings.address}/join##{row[:token]}"
          }
        end
      end
    end
  end
end
