# frozen_string_literal: true

module Stairwell
  module Studio
    # Which cautions apply on some days of a week.
    class CautionsOfDays
      # @param record [Record]
      # @param days [Array<Planning::PlannedDay>]
      def initialize(record, days)
        @record = record
        @days = days
      end

      # @return [Array<Cautions::Caution>] the studio's own last
      def to_a
        applying =
          Cautions.of(
            minutes: @days.map(&:minutes).max || 0,
            child: @record.student.child?,
            pedal: steps.any? { |_, step| step.aspect == :pedal },
            stretch: stretch?,
            listening: scored.any?
          )
        own = @record.settings.caution.to_s.strip
        if own.empty?
          applying
        else
          [*applying, Cautions::Caution.new(topic: :studio, short: own, full: own)]
        end
      end

      private

      # @return [Array<Array(PieceInHand, Practice::Step)>]
      def steps
        @steps ||=
          @days
            .flat_map(&:steps)
            .uniq(&:key)
            .filter_map do |item|
              standing = @record.standing(item)
              standing && [@record.piece(item.assignment_id), standing.step]
            end
      end

      def scored =
        @scored ||= steps.map(&:first).uniq(&:id).select { |piece| piece.page.map.notes? }

      def stretch?
        scored.any? do |piece|
          of = steps.select { |one, _| one.id == piece.id }.map(&:last)
          Sections::Likeness::HANDS.any? do |hand|
            bars =
              of
                .select { |step| [hand, :both].include?(step.hands) }
                .flat_map { |step| step.spans.flat_map(&:bars) }
            widest = Sections.widest(piece.page.map, hand, bars)
            widest && Cautions.wide?(widest.semitones, @record.student.hand_span)
          end
        end
      end
    end
  end
end
