# frozen_string_literal: true

module Stairwell
  module Server
    module Services
      # The stairs of each piece of a student: as they were planned when the piece was
      # given, as they were really climbed, and as they will likely go on.
      class Climb
        # @param desk [Desk]
        # @param load [Workload]
        # @param outlooks [Hash{Integer => Hash}] of {Ahead}
        def initialize(desk, load, outlooks)
          @desk = desk
          @load = load
          @outlooks = outlooks
          @ahead = load.tasks.any? ? Planning.schedule(**load.plan) : {}
        end

        # @param given [Models::Assignments::Given]
        # @return [Hash] {flights:, from:, to:, lessons:}
        def of(given)
          flights = Progress::Stairs.of(given.progress, planned: planned(given), ahead: ahead(given), stretch: stretches(given))
          dates = flights.flat_map(&:treads).flat_map { |tread| [tread.planned, tread.real, tread.likely, tread.cautious].compact.flatten }
          started = given_on(given)
          {
            from: [started, *dates].min.to_s, to: [@desk.today, given.row[:due_on], *dates].compact.max.to_s, lessons: lessons(started),
            flights: flights.map { |one| {name: one.name, treads: one.treads.map { |tread| tread(tread) }} }
          }
        end

        private

        def given_on(given) = @desk.clock.class.new(given.row[:given_at]).today(@desk.studio[:time_zone])

        # The piece by itself, from the day it was given, with every day kept.
        def planned(given)
          tasks = Progress.piece(given.progress.own, []).tasks
          from = given_on(given) + 1
          Planning.schedule(tasks: tasks, practice: @load.practice.with(absent: []), from: from, next_lesson: Planning::Calendar.next_weekday(from, @load.student[:lesson_weekday]), warm_ups: @load.warm_ups)
        end

        def ahead(given)
          @ahead.filter_map { |id, span| [id.delete_prefix(given.prefix), span] if id.start_with?(given.prefix) }.to_h
        end

        def stretches(given)
          outlook = @outlooks.fetch(given.id).transform_values { |value| value.is_a?(String) ? Date.parse(value) : value }
          outlook.values_at(:middle, :cautious).map { |date| Progress::Stairs.stretch(@load.from, outlook[:planned], date) }
        end

        # Days of lessons since the piece was given.
        def lessons(started)
          @lessons ||= @desk[:lesson_results].where(student_id: @load.student[:id]).distinct.select_order_map(:day)
          @lessons.select { |day| day >= started }.map(&:to_s)
        end

        def tread(one)
          spans = %i[planned real likely cautious].to_h { |name| [name, one[name]&.map(&:to_s)] }
          {id: one.id, title: one.title, state: one.state.to_s, share: one.share.to_f, **spans}
        end
      end
    end
  end
end
