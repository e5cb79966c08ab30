# frozen_string_literal: true

module Stairwell
  module Server
    module Features
      # How a person comes in: opens a studio with a code from the server, or joins one by an
      # invitation, with a new account or the one they have.
      class Entry
        # @param contexts [StudioContexts]
        def initialize(contexts)
          @contexts = contexts
          @db = contexts.store.db
        end

        # @param code [String] as typed
        # @param values [Hash] :studio, :time_zone, :locale, and of the owner :name, :email,
        #   :password
        # @return [Hash] {success:}
        # @raise [Problem] 422
        def open(code, values)
          # Nothing else that was sent is looked at, and nothing said of it, without a code.
          openings = Openings.new(@db, @contexts.settings)
          openings.known!(code)
          zone!(values[:time_zone])
          Languages.known!(values[:locale]) if values[:locale]
          person!(values)
          @db.transaction do
            openings.use(code)
            owner = account(values)
            @contexts.store.found_studio(
              name: values[:studio].strip,
              time_zone: values[:time_zone],
              owner_id: owner,
              **values.slice(:locale)
            )
          end
          { success: "opened" }
        end

        # @param token [String]
        # @return [Hash] see the contract's Invitation
        def invitation(token)
          context, id = behind(token)
          context
            .read { |tables| invitations(tables).behind(id) }
            .slice(:role, :email)
            .merge(studio: context.studio[:name])
        end

        # @return [Hash] {success:}
        # @raise [Problem] 404, 422
        def join(token, values)
          context, invitation_id = behind(token)
          context.read { |tables| invitations(tables).behind(invitation_id) }
          person!(values)
          context.write do |tables|
            row = invitations(tables).behind(invitation_id)
            id = account(values)
            Repositories::Members.new(tables).join(id, row[:role])
            invitations(tables).use(row, id)
          end
          { success: "joined" }
        end

        private

        def behind(token) = @contexts.behind("invitation", token) { Repositories::Invitations.over }

        def invitations(tables) = Repositories::Invitations.new(tables)

        def zone!(zone)
          TZInfo::Timezone.get(zone)
        rescue TZInfo::InvalidTimezoneIdentifier
          raise Problem.new(
                  422,
                  Phrase["server.people.zone_unknown", zone: zone],
                  code: "time_zone",
                  field: "time_zone"
                )
        end

        # Someone who has an account gives its password; a new one keeps to the rules. Which of the
        # two it was is not said, and both take as long. Outside any transaction.
        def person!(values)
          attempts =
            Attempts.new(@db, @contexts.settings.session_secret[0, 64], email: values[:email])
          return if !attempts.too_many? && (known(values) ? own?(values) : new!(values))

          attempts.failed
          Auth.take_time(values[:password]) unless @took_time
          raise Problem.new(
                  422,
                  Phrase["server.people.password", least: Limits::PASSWORD.min],
                  code: "password",
                  field: "password"
                )
        end

        def own?(values)
          @took_time = true
          Auth.within(@contexts).valid_login_and_password?(
            login: values[:email],
            password: values[:password]
          )
        end

        def new!(values)
          return if Auth.within(@contexts).internal_request_eval { wrong_with(values[:password]) }

          values[:hash] = BCrypt::Password.create(values[:password], cost: Auth.cost)
        end

        def known(values) =
          @db[:accounts].where(
            Sequel.function(:lower, :email) => values[:email].strip.downcase
          ).get(:id)

        def account(values) =
          known(values) ||
            Auth.keep_account(
              @db,
              email: values[:email].strip,
              name: values[:name].strip,
              hash: values.fetch(:hash)
            )
      end
    end
  end
end
