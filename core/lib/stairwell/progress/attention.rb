# frozen_string_literal: true

module Stairwell
  module Progress
    # What needs attention, each with its reason.
    class Attention
      # @param today [Date]
      def initialize(today)
        @today = today
        @found = []
      end

      # @return [Array<Concern>] the most urgent first
      def to_a = @found.sort_by.with_index { |one, at| [one.weight, at] }

      # @param title [String] of the piece
      # @param cautious [Date, nil] the date that holds in 85 of 100 futures
      # @param due [Date, nil]
      def forecast(title, cautious, due)
        return if due.nil? || (cautious && cautious <= due)

        ready =
          (
            if cautious
              Phrase[
                "progress.attention.may_not_be_ready_until_after",
                count: (cautious - due).to_i
              ]
            else
              Phrase["progress.attention.cannot_be_finished_as_things_are"]
            end
          )
        add(
          :late,
          Phrase[
            "progress.attention.is_due_on_and",
            piece: title,
            day: Phrase.day(due, :day_and_month),
            ready: ready
          ],
          1
        )
      end

      # @param title [String] of the piece
      # @param step [String] what is set aside
      # @param date [Date] on which it hurt
      def hurts(title, step, date)
        add(
          :hurts,
          Phrase[
            "progress.attention.it_hurt",
            step: step,
            piece: title,
            day: Phrase.day(date, :day_and_month)
          ],
          0
        )
      end

      # @param done [Integer] practice days that were kept since the lesson
      # @param of [Integer] those that have gone by
      def practice(done, of)
        if of.positive? && done * 2 <= of
          add(:practice, Phrase["progress.attention.practised_on_of", done: done, count: of], 3)
        end
      end

      # Hardly anything practised for many weeks, and hardly anything gained: the week is too large.
      # @param title [String] of the piece
      # @param share [Rational] of its work that is steady
      # @param kept [Array(Integer, Integer)] days that were practised in these weeks, of so many
      # @param smaller [Array(Integer, Integer)] rows, and minutes a day, that are proposed
      def thin(title, share, kept, smaller)
        done, of = kept
        return if of.zero? || done > of * Constants::THIN_DAYS || share > Constants::THIN_WORK

        rows, minutes = smaller
        add(
          :thin,
          Phrase[
            "progress.attention.thin_weeks",
            done: done,
            count: of,
            weeks: Constants::THIN_WEEKS,
            piece: title,
            percent: (share * 100).floor,
            rows: Phrase["progress.attention.rows", count: rows],
            minutes: minutes
          ],
          1
        )
      end

      # @param week [Boolean] whether there is a plan for the coming days
      def plan(week)
        add(:no_plan, Phrase["progress.attention.no_plan_for_the_coming_week"], 2) unless week
      end

      # @param title [String] of the piece
      # @param piece [Piece]
      # @param looked_after [Boolean] whether what is steady has its place in the week
      def piece(title, piece, looked_after: false)
        stuck(title, piece)
        late_reviews(title, piece) unless looked_after
        joins(title, piece)
      end

      private

      # Heard at two lessons running and no further.
      def stuck(title, piece)
        piece.standings.each_value do |one|
          last = piece.results_of(one.step.id).last(Constants::LESSONS_WITHOUT_GAIN)
          unless last.size == Constants::LESSONS_WITHOUT_GAIN && !one.done? &&
                   last.all? { |heard| %i[not_yet shaky].include?(heard.result) }
            next
          end

          results =
            Phrase.list(last.map { |heard| Phrase["results.#{heard.result}"] }.uniq, by: :then)
          add(
            :stuck,
            Phrase[
              "progress.attention.stuck",
              step: one.step.title,
              piece: title,
              results: results,
              count: Constants::LESSONS_WITHOUT_GAIN
            ],
            2
          )
        end
      end

      def late_reviews(title, piece)
        late = piece.reviews(@today - Constants::REVIEW_LATE).uniq(&:id)
        return if late.empty?

        worst = late.min_by(&:due)
        what = Phrase["progress.attention.of_piece", step: worst.name, piece: title]
        if late.size > 1
          what = Phrase["progress.attention.and_more", what: what, count: late.size - 1]
        end
        add(
          :review,
          Phrase[
            "progress.attention.should_have_come_back_ago",
            what: what,
            count: (@today - worst.due).to_i
          ],
          4
        )
      end

      # Parts secure, and what joins them failing.
      def joins(title, piece)
        by_section = piece.standings.values.group_by { |one| one.step.section }
        piece.standings.each_value do |one|
          unless one.step.join && !one.done? && one.last_result &&
                   %i[not_yet shaky].include?(one.last_result.result)
            next
          end

          parts =
            one.step.parts.map do |label|
              by_section.fetch(label, []).select { |each| each.step.hands == :both }
            end
          if parts.all? { |all| all.any?(&:done?) }
            add(
              :join,
              Phrase[
                "progress.attention.fails_though_both_parts_hold",
                step: one.step.title,
                piece: title
              ],
              2
            )
          end
        end
      end

      def add(kind, text, weight) = @found << Concern.new(kind: kind, text: text, weight: weight)
    end
  end
end
