# frozen_string_literal: true

module Stairwell
  module Server
    module Features
      # What lies ahead of a student: ways out where a piece is late, and which pieces would suit.
      class Ahead
        # How pieces end that a student can play.
        LEARNT = %w[passed kept].freeze

        # @param context [StudioContext]
        def initialize(context)
          @context = context
          @records = Repositories::Records.new(context)
        end

        # What would make a piece that is late ready in time.
        # @return [Array<Hash>]
        def ways_out(id, assignment_id)
          record = @records.find(id)
          Studio::WaysOut
            .new(record, record.piece(assignment_id))
            .to_a
            .map { |one| one.to_h.merge(date: one.date.to_s) }
        end

        # A plan backwards from the date of a piece, beside the usual one.
        # @return [Hash] see the contract's Backwards
        def backwards(id, assignment_id)
          record = @records.find(id)
          piece = record.piece(assignment_id)
          plan = Studio::Backwards.new(record, piece)
          in_time = plan.in_time
          eased = plan.with(in_time.measures).piece(assignment_id)
          {
            needed: plan.needed?,
            usual: way(plan.usual),
            there: way(in_time),
            measures: StudentJson.measures(eased)
          }
        end

        # The pieces of the library a student does not have, those with the least that is new first.
        # @return [Array<Hash>] see the contract's Suit
        def suits(id)
          pieces = read = learnt = nil
          record =
            @records.find(id) do |tables|
              pieces = Repositories::Pieces.new(tables).newest
              learnt =
                Repositories::Repertoire
                  .new(tables)
                  .of(id)
                  .select { |row| LEARNT.include?(row[:ended]) }
                  .map { |row| row[:piece_id] }
              read =
                Repositories::Pages.new(tables).read(
                  pieces.map { |row| row.values_at(:id, :revision) }
                )
            end
          before =
            pieces
              .select { |row| learnt.include?(row[:id]) }
              .map { |row| read.page(row[:id], row[:revision], nil).map }
          suits = Studio::Suits.new(record, learnt: before)
          open =
            pieces.reject do |row|
              row[:deleted] || learnt.include?(row[:id]) ||
                record.pieces.any? { |piece| piece.piece_id == row[:id] }
            end
          open
            .map { |row| [row, suits.of(candidate(read, row))] }
            .sort_by { |row, suit| [suit.fresh.size, suit.weeks || 0, row[:title]] }
            .map { |row, suit| suit(row, suit) }
        end

        private

        def way(way)
          week = way.week
          {
            outlook: StudentJson.outlook(way.outlook),
            rows:
              week.rows.map do |row|
                days = week.cells(row).to_h { |number, _, items| [number, stages(items)] }
                {
                  title: row.title.to_s,
                  days: (1..week.days.size).map { |number| days.fetch(number, []) }
                }
              end
          }
        end

        # In words, each once.
        def stages(items) =
          items.map { |item| (item.respond_to?(:stage) && item.stage) ? item.stage.to_s : "✓" }.uniq

        # The same for everyone, as long as the page is.
        def candidate(read, row)
          texts = read.revisions.fetch(row.values_at(:id, :revision)).values_at(:document, :script)
          Remembered::OF_PROCESS.fetch(:candidate, *texts) do
            Studio::Suits.candidate(read.page(row[:id], row[:revision], nil).map)
          end
        end

        def suit(row, suit) =
          row.slice(:id, :title, :book).merge(
            lines: suit.lines,
            fresh: suit.fresh.size,
            weeks: suit.weeks
          )
      end
    end
  end
end
