# frozen_string_literal: true

module Stairwell
  module Server
    # Where one request works: a database transaction inside one studio, who is
    # at work (nil on a private link), and the studio's date.
    Desk = Stairwell.value(:db, :studio, :clock, :settings, account_id: nil) do
      # @return [Integer]
      def studio_id = studio[:id]

      # @return [Date] in the studio's time zone
      def today = clock.today(studio[:time_zone])

      # @param student [Hash] row
      # @return [Symbol] the student's words, or else the studio's; see
      #   {Score::Terms::STYLES}
      def terms(student) = (student[:terms] || studio[:terms]).to_sym

      # @return [Sequel::Dataset] a table's rows of this studio
      def [](table) = db[table].where(Sequel[table][:studio_id] => studio_id)

      # @return [Hash] the row as stored
      def add(table, **values)
        db[table].returning.insert(studio_id: studio_id, **values).first
      end
    end

    # Opens desks.
    class Desks
      def initialize(store:, clock:, settings:)
        @store = store
        @clock = clock
        @settings = settings
      end

      attr_reader :store, :settings

      # @param account_id [Integer]
      # @yieldparam desk [Desk]
      # @raise [Problem] when the account belongs to no studio
      def for_account(account_id, &)
        member = @store.membership(account_id)
        raise Problem.new(403, "This account belongs to no studio. Ask the studio's owner to add it.", code: "no_studio") unless member

        for_studio(member[:studio_id], account_id: account_id, &)
      end

      # @param id [Integer]
      # @return [Boolean]
      def studio?(id) = id < 2**62 && @store.in_studio(id) { |db| db[:studios].where(id: id).any? }

      # @param studio_id [Integer]
      # @raise [Problem] when there is no such studio
      def for_studio(studio_id, account_id: nil)
        @store.in_studio(studio_id) do |db|
          studio = db[:studios].first(id: studio_id) || raise(Problem.not_found("studio"))
          yield Desk.new(db: db, studio: studio, clock: @clock, settings: @settings, account_id: account_id)
        end
      end
    end
  end
end
