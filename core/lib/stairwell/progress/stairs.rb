# frozen_string_literal: true

module Stairwell
  module Progress
    # The climb of one piece, as it is drawn: a flight for each section, then the
    # joins, then the whole; in it a tread for each step with when it was planned,
    # when it was really practised, and when it will likely be done.
    module Stairs
      # `planned`, `real`, `likely` and `cautious` are [first, last] dates or nil.
      Tread = Stairwell.value(:id, :title, :state, :share, :planned, :real, :likely, :cautious)
      # A flight: its `kind` of {KINDS}, and for a section its letter.
      Flight = Stairwell.value(:name, :kind, :treads)

      # Flights from the bottom up.
      KINDS = %i[section joins whole].freeze

      module_function

      # @param piece [Piece]
      # @param planned [Hash{String => Array(Date, Date)}] as first planned
      # @param ahead [Hash{String => Array(Date, Date)}] as planned from today on
      # @param stretch [Array<Proc>] from a planned date to the likely one, and to
      #   the cautious one
      # @return [Array<Flight>] from the bottom up
      def of(piece, planned:, ahead:, stretch:)
        flights = piece.standings.values.group_by { |one| flight(one.step) }
        order = flights.keys.sort_by.with_index { |(kind, _), at| [KINDS.index(kind), at] }
        order.map do |kind, name|
          Flight.new(
            kind: kind,
            name: name,
            treads: in_turn(flights[[kind, name]].map { |one| tread(one, planned, ahead, stretch) })
          )
        end
      end

      # @return [Array(Symbol, String)] the kind of flight and its name
      def flight(step)
        return :section, step.section if step.section

        whole = step.parts.empty? || step.place == Phrase["practice.wording.the_whole_piece"]
        whole ? [:whole, "whole"] : [:joins, "joins"]
      end

      # As they were planned to begin, so that a flight rises.
      def in_turn(treads)
        none = Date.new(9999)
        treads.sort_by.with_index { |one, at| [one.planned&.first || one.real&.first || none, at] }
      end

      def tread(one, planned, ahead, stretch)
        id = one.step.id
        span = ahead[id] unless one.done?
        Tread.new(
          id: id,
          title: one.step.title,
          state: one.state,
          share: Rational([one.credited, one.good_days].min, one.good_days),
          planned: planned[id],
          real: real(one),
          likely: span&.map(&stretch[0]),
          cautious: span&.map(&stretch[1])
        )
      end

      # From the first day it was practised (or heard) to the day it was steady, or
      # to the last one.
      def real(one)
        first = [one.days.keys.min, one.steady_on, one.last_result&.date].compact.min
        first && [first, one.steady_on || one.days.keys.max || first]
      end

      # Spreads planned days over the time the forecast gives them.
      # @param from [Date]
      # @param planned [Date, nil] when all is done with every day kept
      # @param foreseen [Date, nil] when it is by the forecast
      # @return [Proc] of a date
      def stretch(from, planned, foreseen)
        return ->(date) { date } if planned.nil? || foreseen.nil? || planned <= from

        factor = Rational((foreseen - from).to_i, (planned - from).to_i)
        ->(date) { from + ((date - from) * factor).round }
      end
      private_class_method :flight, :in_turn, :tread, :real
    end
  end
end
