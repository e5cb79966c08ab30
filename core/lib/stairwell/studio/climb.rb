# frozen_string_literal: true

module Stairwell
  module Studio
    # The stairs of each piece of a student: as they were planned when the piece was
    # assigned, as they were really climbed, and as they will likely go on.
    class Climb
      # One piece's stairs, between two dates, with the lessons since it was assigned, by flight and
      # as one staircase.
      Drawn = Stairwell.value(:from, :to, :lessons, :flights, :staircase)

      # @param record [Record]
      # @param load [Workload]
      # @param outlooks [Hash{Integer => Outlook}]
      def initialize(record, load, outlooks)
        @record = record
        @load = load
        @outlooks = outlooks
        @ahead = load.in_rows.schedule
      end

      # @param piece [PieceInHand]
      # @return [Drawn]
      def of(piece)
        flights =
          Progress::Stairs.of(
            piece.progress,
            planned: planned(piece),
            ahead: ahead(piece),
            stretch: stretches(piece)
          )
        dates =
          flights
            .flat_map(&:treads)
            .flat_map do |tread|
              [tread.planned, tread.real, tread.likely, tread.cautious].compact.flatten
            end
        Drawn.new(
          from: [piece.assigned_on, *dates].min,
          to: [@record.today, piece.due_on, *dates].compact.max,
          flights: flights,
          lessons: @record.lessons.select { |day| day >= piece.assigned_on },
          staircase: Progress::Staircase.new(piece.progress, flights, today: @record.today)
        )
      end

      private

      # The piece by itself, from the day it was assigned, with every day kept.
      def planned(piece)
        from = piece.assigned_on + 1
        alone =
          piece.with(
            progress: Progress.piece(piece.progress.own, [], introduce_first: piece.introduce_first)
          )
        own(
          @load.in_rows.schedule(
            [alone],
            practice: @load.practice.with(absent: [], lessons: []),
            from: from,
            next_lesson: Planning::Calendar.next_weekday(from, @record.student.lesson_weekday)
          ),
          piece
        )
      end

      def ahead(piece) = own(@ahead, piece)

      # @return [Hash{String => Array(Date, Date)}] by step id
      def own(spans, piece)
        spans
          .filter_map do |id, span|
            [id.delete_prefix(piece.prefix), span] if id.start_with?(piece.prefix)
          end
          .to_h
      end

      def stretches(piece)
        outlook = @outlooks.fetch(piece.id)
        [outlook.likely, outlook.cautious].map do |date|
          Progress::Stairs.stretch(@load.from, outlook.planned, date)
        end
      end
    end
  end
end
