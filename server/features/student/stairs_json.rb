# frozen_string_literal: true

module Stairwell
  module Server
    module Features
      # A climb, drawn.
      module StairsJson
        CLIMBS = %i[real planned likely cautious].freeze
        private_constant :CLIMBS

        module_function

        # @param drawn [Studio::Climb::Drawn]
        # @return [Hash] see the contract's Stairs
        def of(drawn)
          {
            from: drawn.from.to_s,
            to: drawn.to.to_s,
            lessons: drawn.lessons.map(&:to_s),
            flights:
              drawn.flights.map do |one|
                {
                  name: one.name,
                  kind: one.kind.to_s,
                  treads: one.treads.map { |tread| tread(tread) }
                }
              end,
            **CLIMBS.to_h do |name|
              [name, drawn.staircase.public_send(name).map { |one| rise(one) }]
            end,
            said: drawn.staircase.said.to_s
          }
        end

        # @param piece [Studio::PieceInHand]
        # @return [Hash] the staircase in small: since when, and how much was steady from which day
        def small(piece) =
          {
            from: piece.assigned_on.to_s,
            rises:
              piece.progress.climbed.map do |date, share|
                { date: date.to_s, percent: (share * 100).round }
              end
          }

        # Hundredths of a per cent are finer than any screen.
        def rise(one) =
          { id: one.id, date: one.date.to_s, from: percent(one.from), to: percent(one.to) }

        def percent(share) = (share * 100).to_f.round(2)

        def tread(one)
          spans = %i[planned real likely cautious].to_h { |name| [name, one[name]&.map(&:to_s)] }
          { id: one.id, title: one.title, state: one.state.to_s, share: one.share.to_f, **spans }
        end
        private_class_method :tread, :rise, :percent
      end
    end
  end
end
