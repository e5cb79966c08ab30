# frozen_string_literal: true

module Stairwell
  module Progress
    # What is offered as the result of a step, from what was counted while it was
    # played. The teacher decides.
    module Offer
      # What was offered, and why in words.
      Offered = Stairwell.value(:result, :why)

      module_function

      # @param stumbles [Integer]
      # @param bars [Integer] that were played
      # @param tempo [Integer, nil] heard, beats per minute
      # @param target_tempo [Integer, nil] the step's tempo
      # @param earlier [Array<LessonResult>] what was heard of the step before
      # @param date [Date] of the lesson
      # @return [Offered]
      def of(stumbles:, bars:, date:, tempo: nil, target_tempo: nil, earlier: [])
        rate = stumbles * Constants::STUMBLES_IN_BARS / [bars, 1].max.to_r
        if target_tempo && tempo && tempo < target_tempo * Constants::AT_TEMPO
          return(
            Offered.new(
              result: (rate > 1) ? :not_yet : :shaky,
              why:
                Phrase[
                  "progress.offer.at_slower_than",
                  stumbles: many(stumbles),
                  tempo: tempo,
                  target: target_tempo
                ]
            )
          )
        end

        said =
          Phrase[
            "progress.offer.in_bars",
            stumbles: many(stumbles),
            bars: Phrase["counts.bars", count: bars]
          ]
        if rate > 1
          return(
            Offered.new(
              result: :not_yet,
              why:
                Phrase[
                  "progress.offer.more_than_one_in",
                  said: said,
                  bars: Constants::STUMBLES_IN_BARS
                ]
            )
          )
        end
        if stumbles.positive?
          return(
            Offered.new(
              result: :shaky,
              why:
                Phrase["progress.offer.up_to_one_in", said: said, bars: Constants::STUMBLES_IN_BARS]
            )
          )
        end
        if steady_before?(earlier, date)
          return(
            Offered.new(result: :secure, why: Phrase["progress.offer.no_stumble_and_steady_in_an"])
          )
        end

        Offered.new(result: :steady, why: Phrase["progress.offer.no_stumble"])
      end

      # Steady at a lesson of another week.
      def steady_before?(earlier, date)
        earlier.any? do |heard|
          %i[steady secure].include?(heard.result) && week(heard.date) != week(date) &&
            heard.date < date
        end
      end

      # The calendar week with its year (ISO 8601): a year ago is another week.
      def week(date) = [date.cwyear, date.cweek]

      def many(stumbles) = Phrase["counts.stumbles", count: stumbles]
      private_class_method :steady_before?, :week, :many
    end
  end
end
