# frozen_string_literal: true

module Stairwell
  module Server
    module Features
      # What a stand-in lacks today, on one page.
      class StandInJson
        # @param record [Studio::Record]
        # @param beside [Hash] :row of the student, :teacher, :last lesson (nil where there was
        #   none), :layers {piece id => [{whose:, script:}]}, :may
        def initialize(record, beside)
          @record = record
          @beside = beside
          @stand_in = Studio::StandIn.new(record)
        end

        # @return [Hash] see the contract's StandIn
        def to_h
          row = @beside[:row]
          {
            id: row[:id],
            name: row[:name],
            teacher: @beside[:teacher],
            time: Repositories::Students.time(row[:lesson_time]),
            instrument: row[:instrument],
            note_names: row[:note_names],
            last:
              @beside[:last]&.then do |lesson|
                {
                  day: lesson[:day].to_s,
                  recap: lesson[:recap].to_s,
                  notes: lesson[:notes],
                  by: lesson[:giver]
                }
              end,
            hear_first:
              @stand_in.hear_first&.then do |one|
                { title: one.step.title, piece: one.piece.title, first: one.first }
              end,
            pieces: @stand_in.pieces.map { |one| piece(one) },
            cautions: @stand_in.cautions.map { |one| one.to_h.slice(:short, :full) },
            drills:
              @beside[:drills].map do |drill|
                drill.slice(:title, :asked, :correct).merge(day: drill[:day].to_s)
              end,
            may: @beside[:may]
          }
        end

        private

        def piece(one)
          {
            title: one.piece.title,
            piece_id: one.piece.piece_id,
            percent: one.piece.percent,
            target_tempo: one.piece.target_tempo,
            hand_order: one.piece.hand_order,
            sections: one.sections.map(&:to_h),
            hard: one.hard,
            changes:
              @beside[:layers]
                .fetch(one.piece.piece_id, [])
                .map { |layer| { whose: layer[:whose], lines: lines(layer[:script]) } }
          }
        end

        def lines(script) =
          script.lines.map(&:strip).reject { |line| line.empty? || line.start_with?("#") }
      end
    end
  end
end
