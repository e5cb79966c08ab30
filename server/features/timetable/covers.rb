# frozen_string_literal: true

module Stairwell
  module Server
    module Features
      # Lessons of some days handed to another teacher, or taken; and, on return, what they
      # gave.
      class Covers
        # @param context [StudioContext]
        def initialize(context)
          @context = context
        end

        # @return [Array<Hash>] those of today and later; see the contract's Cover
        def list
          rows =
            @context.read do |tables|
              Repositories::Covers.new(tables).between(
                @context.today,
                @context.today + Constants::DAYS_LOOKED_AHEAD
              )
            end
          rows.map { |row| CoverJson.of(row) }
        end

        # @param away_id [Integer] whose lessons
        # @param cover_id [Integer] whom they go to
        # @return [Array<Hash>] as {#list}
        # @raise [Problem] 403 for other people's lessons, unless one runs the studio or takes them
        def add(key:, away_id:, cover_id:, first_day:, last_day:)
          concerned!(away_id, cover_id)
          from, to = Problem.date(first_day, "first_day"), Problem.date(last_day, "last_day")
          unless to >= from && to - from <= Limits::COVER_DAYS
            raise Problem.new(422, Phrase["server.covers.days"], code: "cover", field: "last_day")
          end

          @context.write do |tables|
            Repositories::Covers.new(tables).add(
              key: key,
              away_id: away_id,
              cover_id: cover_id,
              first_day: from,
              last_day: to,
              by: @context.account_id
            )
          end
          list
        end

        # @return [Array<Hash>] as {#list}
        def withdraw(id)
          @context.write do |tables|
            row = tables[:covers].first(id: id)
            concerned!(*row.values_at(:away_id, :cover_id)) if row
            Repositories::Covers.new(tables).withdraw(id)
          end
          list
        end

        # @return [Array<Hash>] lessons of mine that another gave; see the contract's GivenLesson
        def while_away
          rows, results =
            @context.read do |tables|
              rows = Repositories::Lessons.new(tables, @context).while_away
              [rows, Repositories::Results.new(tables).of_lessons(rows)]
            end
          rows.map do |row|
            row.slice(:student_id, :name, :giver, :notes).merge(
              day: row[:day].to_s,
              recap: row[:recap].to_s,
              results: results.fetch([row[:student_id], row[:day]], [])
            )
          end
        end

        # @return [Array<Hash>] as {#while_away}
        # @raise [MissingError]
        def look_through(student_id, day)
          date = Problem.date(day, "day")
          @context.write do |tables|
            Repositories::Lessons.new(tables, @context).look_through(student_id, date) ||
              raise(MissingError, Phrase["missing.lesson"])
          end
          while_away
        end

        private

        def concerned!(away_id, cover_id)
          if [away_id, cover_id].include?(@context.account_id) ||
               Rights.of(@context.role).include?(:run)
            return
          end

          raise Problem.new(403, Phrase["server.covers.not_yours"], code: "not_allowed")
        end
      end
    end
  end
end
