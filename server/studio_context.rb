# frozen_string_literal: true

module Stairwell
  module Server
    # Where a request or a job works: in which studio, who it is and in what role (nil
    # on a private link), and the date there, which stays the same until it is done. It opens short
    # transactions and holds none: what was read is computed with, and only then is something kept.
    StudioContext =
      Stairwell.value(
        :store,
        :studio,
        :clock,
        :settings,
        :today,
        door: Door::Keeper.new,
        account_id: nil,
        role: nil,
        act: nil,
        news: News::NONE
      ) do
        # @return [Integer]
        def studio_id = studio[:id]

        # @return [Symbol] the language the studio speaks
        def locale = studio[:locale].to_sym

        # @param time [Time]
        # @return [Date] of that time in the studio's time zone
        def date_of(time) = clock.class.date(time, studio[:time_zone])

        # One state of the rows, however many statements it takes.
        # @yieldparam tables [Tables]
        # @return [Object] what the block gives
        def read = store.snapshot(studio_id, door) { |db| yield Tables.new(db, studio_id) }

        # @param table [Symbol]
        # @return [Integer] the number of a row that is stored later
        def next_id(table) =
          store.in_studio(studio_id, door) do |db|
            db.get(Sequel.function(:next_number, table.to_s))
          end

        # Whatever is changed is noted with it, where a person asked for it, and told to who has the
        # studio open.
        # @param about [Hash{Symbol=>Integer}, nil] :student_id or :piece_id, where it is about one
        #   alone; nil where no screen shows it
        # @yieldparam tables [Tables]
        # @return [Object] what the block gives
        def write(about: act ? act.about : {})
          store.in_studio(studio_id, door) do |db|
            yield(tables = Tables.new(db, studio_id)).tap do
              act&.note(tables)
              db.after_commit { news.tell(studio_id, by: act&.window, **about) } if about
            end
          end
        end
      end
  end
end
