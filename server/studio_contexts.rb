# frozen_string_literal: true

module Stairwell
  module Server
    # Opens studio contexts.
    class StudioContexts
      attr_reader :store, :settings, :clock, :news

      # @param store [Store] as the role that comes in by sessions and links
      # @param clock [Clock]
      # @param settings [Settings]
      # @param news [News]
      # @param keeper [Store, nil] as the role that works on jobs; made when it is needed
      def initialize(store:, clock:, settings:, news: News::NONE, keeper: nil)
        @store = store
        @clock = clock
        @settings = settings
        @news = news
        @keeper = keeper
      end

      # @return [Store] for jobs
      # @raise [KeyError] in a web server that doesn't work on jobs
      def keeper = @keeper ||= Store.new(settings.keeper_url)

      # @return [Store] the one in whose transaction this thread is
      def at_work = [@keeper, @store].compact.find { |store| store.db.in_transaction? } || @store

      # @param door [Door::Session]
      # @param wanted [Integer, nil] the studio that was chosen, of several
      # @return [StudioContext]
      # @raise [Problem] when the account belongs to no studio
      def of_person(door, wanted = nil) = context(@store, door, **here(@store, door, wanted))

      # The same without a session, for jobs and benches.
      # @param account_id [Integer]
      # @return [StudioContext]
      # @raise [Problem] as {#of_person}
      def of_account(account_id)
        door = Door::Keeper.new(account_id: account_id)
        context(keeper, door, **here(keeper, door))
      end

      # @param kind [String] of link
      # @param token [String] as it came in
      # @yieldreturn [Problem] of a link that is over, forged or garbled
      # @return [Array(StudioContext, Integer)] and the number of the link's row
      def behind(kind, token)
        door = Door::Link.new(kind: kind, token: token)
        id, studio = @store.behind(door)
        raise yield unless id

        [context(@store, door, studio: studio), id]
      end

      # @param id [Integer]
      # @param account_id [Integer, nil]
      # @return [StudioContext, nil] nil where there is no such studio
      def of_studio(id, account_id: nil)
        studio = keeper.studio(id)
        studio && context(keeper, Door::Keeper.new, studio: studio, account_id: account_id)
      end

      private

      def here(store, door, wanted = nil) =
        store.studio_of(door, wanted) ||
          raise(
            Problem.new(
              403,
              Phrase["server.studio_context.this_account_belongs_to_no_studio"],
              code: "no_studio"
            )
          )

      def context(store, door, studio:, account_id: nil, role: nil) =
        StudioContext.new(
          store: store,
          door: door,
          studio: studio,
          clock: @clock,
          settings: @settings,
          today: @clock.today(studio[:time_zone]),
          account_id: account_id,
          role: role,
          news: @news
        )
    end
  end
end
