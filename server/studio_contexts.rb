# frozen_string_literal: true

module Stairwell
  module Server
    # Opens studio contexts.
    class StudioContexts
      attr_reader :store, :settings, :clock, :news

      # @param store [Store]
      # @param clock [Clock]
      # @param settings [Settings]
      # @param news [News]
      def initialize(store:, clock:, settings:, news: News::NONE)
        @store = store
        @clock = clock
        @settings = settings
        @news = news
      end

      # @param account_id [Integer]
      # @param wanted [Integer, nil] the studio that was chosen, of several
      # @return [StudioContext]
      # @raise [Problem] when the account belongs to no studio
      def of_account(account_id, wanted = nil)
        studio, role = @store.studio_of_account(account_id, wanted)
        unless studio
          raise Problem.new(
                  403,
                  Phrase["server.studio_context.this_account_belongs_to_no_studio"],
                  code: "no_studio"
                )
        end

        context(studio, account_id, role)
      end

      # @param id [Integer]
      # @param account_id [Integer, nil]
      # @return [StudioContext, nil] nil where there is no such studio
      def of_studio(id, account_id: nil)
        studio = @store.studio(id)
        studio && context(studio, account_id)
      end

      private

      def context(studio, account_id, role = nil) =
        StudioContext.new(
          store: @store,
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
