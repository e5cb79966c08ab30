# frozen_string_literal: true

module Stairwell
  module Rows
    # Chooses the rows of a week, then lays the path of each over the days, within their minutes and
    # around what the teacher changed by hand.
    class Week
      # @param pieces [Array<Piece>] whose work comes first in front
      # @param days [Array<Day>]
      # @param limits [Limits]
      # @param beside [Array<Beside>]
      # @param overrides [Planning::Overrides] of the teacher
      # @param same_as [Array<String>, nil] ids of the rows of a week under way, which stay
      def initialize(
        pieces,
        days:,
        limits:,
        beside: [],
        overrides: Planning::Overrides.new,
        same_as: nil
      )
        resting, @pieces = pieces.partition { |piece| days.any? && piece.rests?(days.first.date) }
        @days = days
        @limits = limits
        @same_as = same_as
        @overrides = overrides
        @beside = BesideRows.new(beside, days, overrides)
        @waiting = []
        resting.each { |piece| wait_for_another(piece) }
      end

      # @return [Array<Waiting>] what there was no room for
      attr_reader :waiting

      # @return [Array<Row>] in the order of the day
      def rows
        @rows ||=
          begin
            works, cells = laid
            waits_for_others(works)
            not_introduced
            learnt = works.map { |work| row(work, cells) }
            marked = short_day(learnt)
            learnt = learnt.map { |row| row.with(short_day: marked.include?(row)) }
            [*@beside.first, *learnt, *@beside.last]
          end
      end

      private

      # Again, until all rows that were chosen are played on some day, and none of them is left out
      # for want of minutes on more than one.
      def laid
        without = []
        loop do
          works = chosen(without)
          cells, squeezed = lay(works)
          out = out(works, cells, squeezed)
          return works, cells if out.empty?

          without += out
        end
      end

      def chosen(without)
        candidates =
          Candidates.new(@pieces, @days.size, @limits, without: without, same_as: @same_as)
        works = candidates.chosen(@limits.rows - @beside.places)
        works + by_hand(works).reject { |work| without.include?(work.id) }
      end

      # A row of its own for each step the teacher put on a day and that none of the rows holds.
      def by_hand(works) =
        @days
          .flat_map { |day| @overrides.on(day.date) }
          .filter_map { |override| of_step(override.id) }
          .reject { |piece, step| works.any? { |work| work.piece == piece && work.holds?(step) } }
          .uniq
          .map { |piece, step| ByHand.new(piece, @days.size, step) }

      # @return [Array(Piece, Practice::Step), nil]
      def of_step(key)
        id, step = key.split("/", 2)
        piece = @pieces.find { |one| one.id.to_s == id }
        found = piece&.step(step)
        found && [piece, found]
      end

      def out(works, cells, squeezed)
        empty = works.select { |work| cells.values.all? { |day| day[work].empty? } }
        empty.each { |work| wait(work, too_long(work), fits: false) if @too_long.include?(work.id) }
        return empty.map(&:id) if empty.any?

        second = works.select { |work| work.kind == :new }[1]
        return [] unless second && squeezed.count(second.id) > 1

        wait(second, Phrase["rows.no_minutes"])
        [second.id]
      end

      # @return [Array] by number of the day the parts of each row; and the ids of rows of which
      #   something was left out, once for each day
      def lay(works)
        @pieces.each(&:begin_week)
        squeezed, @too_long = [], []
        cells =
          @days.each_with_index.to_h do |day, at|
            fit = DayFit.new(at + 1, day.minutes - @beside.minutes(at + 1))
            found = fit.call(parts(works, at + 1))
            squeezed += fit.squeezed
            @too_long << fit.too_long
            play(found, at + 1)
            [at + 1, found]
          end
        [cells, squeezed]
      end

      # What is kept fresh rests on days on which the same bars are joined or played as a whole, and
      # takes turns with what other pieces play from the beginning; nothing is played from the
      # beginning on a day on which the whole is.
      def parts(works, day)
        today =
          works.each_with_object({}) do |work, found|
            parts = work.parts(day).reject { |part| begun_too_late?(part, day) }
            parts = [] if work.kind == :keep_fresh && rests?(work, found)
            found[work] = parts
          end
        today.to_h do |work, parts|
          parts = parts.reject(&:in_a_run?) if whole_of?(work.piece, today)
          [work, edited(work, parts, @days[day - 1].date)]
        end
      end

      # Nothing new in the last days before a date.
      def begun_too_late?(part, day)
        piece = part.piece
        section = part.step&.section
        section && piece.deadline&.too_late?(@days[day - 1].date) &&
          piece.path(section).none? { |step| piece.ahead.played_before?(step.id, day) }
      end

      def whole_of?(piece, today) =
        today.any? do |work, parts|
          work.kind == :whole && work.piece == piece && parts.any? { |part| !part.step.section }
        end

      def rests?(work, today) =
        today.any? do |other, parts|
          parts.any? && %i[grow whole].include?(other.kind) &&
            (other.piece == work.piece || parts.any?(&:in_a_run?))
        end

      # Without what the teacher took off the day, and with what was put there.
      def edited(work, parts, date)
        return parts if @overrides.empty?

        kept = parts.reject { |part| @overrides.off?(part.key, date) }
        put =
          @overrides
            .on(date)
            .filter_map do |override|
              piece, step = of_step(override.id)
              next unless piece == work.piece && work.holds?(step)

              pinned(piece, step, override)
            end
        put = put.uniq(&:key).to_h { |part| [part.key, part] }
        kept.map { |part| put.delete(part.key) || part } + put.values
      end

      def pinned(piece, step, override) =
        piece.part(step, override.repetitions || step.repetitions).with(
          pinned: true,
          breaks: piece.breaks(step)
        )

      # What was introduced and has no row yet.
      def waits_for_others(works)
        @pieces.each do |piece|
          new = works.select { |work| work.piece == piece && work.kind == :new }
          own = new.flat_map(&:labels)
          left =
            piece.in_hand.reject do |label|
              own.include?(label) || (piece.hard_place_in?(label) && piece.played?(label))
            end
          next if left.empty? || @waiting.any? { |waiting| waiting.piece == piece }

          why =
            (
              if own.empty?
                Phrase["rows.no_row"]
              else
                Phrase["rows.after_others", sections: Phrase.list(own)]
              end
            )
          wait(NewSections.new(piece, @days.size, left), why)
        end
      end

      def wait(work, why, fits: true)
        step = piece_steps(work).first or return

        @waiting |= [
          Waiting.new(piece: work.piece, title: Titles.of(work), step: step, why: why, fits: fits)
        ]
      end

      # What is due sooner has all rows until then.
      def wait_for_another(piece)
        step = piece.progress.steps.find { |one| !piece.standing(one).done? } or return

        why = Phrase["rows.rests_until", day: Phrase.day(piece.rests_until, :day_and_month)]
        @waiting << Waiting.new(piece: piece, title: piece.title, step: step, why: why)
      end

      # What one time of it takes, beside the longest day.
      def too_long(work)
        part = work.piece.part(piece_steps(work).first, 1)
        Phrase[
          "planning.reasons.takes_at_a_time_but_a",
          need: Units.minutes(Constants::READY + part.minutes),
          minutes: Units.minutes(@days.map(&:minutes).max)
        ]
      end

      # Sections that weren't introduced yet, each by itself.
      def not_introduced
        @pieces.each do |piece|
          piece
            .sections
            .reject { |label| piece.introduced?(label) }
            .each do |label|
              wait(
                NewSections.new(piece, @days.size, [label]),
                Phrase["planning.reasons.not_introduced_yet_open_it_at"]
              )
            end
        end
      end

      def piece_steps(work) = work.piece.progress.steps.select { |step| work.holds?(step) }

      def play(cells, day)
        cells
          .flat_map { |work, parts| parts.map { |part| [work.piece, part.step] } }
          .select(&:last)
          .group_by(&:first)
          .each { |piece, played| piece.ahead.play(played.map(&:last).uniq, day) }
      end

      def row(work, cells) =
        Row.new(
          id: work.id,
          kind: work.kind,
          piece: work.piece,
          title: Titles.of(work, cells.values.flat_map { |day| day[work] }),
          days: cells.transform_values { |day| day[work] }.reject { |_, parts| parts.empty? },
          why: Phrase["rows.why.#{work.kind}"]
        )

      # What is new, and a hard place where nothing else is: what a family keeps to on a day with
      # little time.
      def short_day(rows)
        new, others = rows.partition { |row| row.kind == :new }
        hard = others.select { |row| row.kind == :hard_place }
        found = (new + hard).first(Constants::SHORT_DAY_ROWS)
        found.empty? ? rows.first(1) : found
      end
    end
  end
end
