# frozen_string_literal: true

module Stairwell
  module Studio
    # Whether pieces of the library would suit a student: what is new in each against what the
    # student has secure, and about how long it would take.
    class Suits
      # A page to be learnt: what it asks, and the work of its usual steps at an average pace:
      # minutes in all, days of its longest chain. `work` is nil where it has no section yet.
      Candidate = Stairwell.value(:demands, :work, :chain)
      # - `fresh`: {Phrase}s, none where nothing is new; `weeks`, `minutes` a day: nil without
      # sections
      Suit =
        Stairwell.value(:fresh, :weeks, :minutes) do
          # @return [Array<Phrase>] what is new, and how long it would take
          def lines
            what =
              (
                if fresh.any?
                  Phrase["studio.suits.new", what: Phrase.list(fresh, by: :comma)]
                else
                  Phrase["studio.suits.nothing_new"]
                end
              )
            [
              what,
              (
                if weeks
                  Phrase[
                    "studio.suits.about",
                    weeks: Phrase["counts.weeks", count: weeks],
                    minutes: Units.minutes(minutes)
                  ]
                else
                  Phrase["studio.suits.no_sections"]
                end
              )
            ]
          end
        end

      # @param map [Score::Map]
      # @return [Candidate]
      def self.candidate(map)
        return Candidate.new(demands: Demands.of(map), work: nil, chain: nil) if map.sections.empty?

        tasks = Progress.piece(Practice.steps(map), []).tasks
        Candidate.new(
          demands: Demands.of(map),
          work: tasks.sum(0r) { |task| task.days_left.sum },
          chain: Planning::Needs.new(tasks).chains(tasks.map(&:remaining)).max
        )
      end

      # @param record [Record]
      # @param learnt [Array<Score::Map>] of pieces that were learnt before
      def initialize(record, learnt: [])
        @record = record
        @learnt = learnt
      end

      # @param candidate [Candidate]
      # @return [Suit]
      def of(candidate)
        weeks = weeks(candidate)
        Suit.new(
          fresh: fresh(candidate.demands),
          weeks: weeks,
          minutes: weeks && Planning.halves(candidate.work * pace / (weeks * days))
        )
      end

      # @return [Demands] of all that is steady or was learnt before
      def known =
        @known ||=
          (
            @learnt.map { |map| Demands.of(map) } +
              @record.pieces.filter_map { |piece| of_piece(piece) }
          ).inject(Demands.new, :+)

      private

      # The bars of what is played and steady, at the fastest tempo of it.
      def of_piece(piece)
        done =
          piece
            .progress
            .standings
            .values
            .select { |one| one.done? && Practice.playing(one.step).any? && one.step.tempo }
            .map(&:step)
        return if done.empty?

        Demands.of(
          piece.page.map,
          bars: done.flat_map { |step| step.spans.flat_map(&:bars) }.uniq.sort,
          tempo: done.map(&:tempo).max
        )
      end

      def fresh(asked)
        [
          *values(asked.note_values - known.note_values),
          *(asked.meters - known.meters).map { |meter| said(:meter, meter: meter) },
          *(asked.keys - known.keys),
          *(asked.signs - known.signs).map { |sign| Phrase["studio.suits.signs.#{sign}"] },
          *reach(asked),
          *tempo(asked)
        ]
      end

      def values(names) = names.any? ? [said(:note_values, names: Phrase.list(names))] : []

      def reach(asked)
        [
          (
            if asked.stretch > [known.stretch, Constants::HAND_POSITION].max
              said(:stretch, count: asked.stretch, known: known.stretch)
            end
          ),
          (said(:moves) if asked.moves > known.moves * Constants::MORE_MOVES && asked.moves > 1),
          (
            if asked.leap > [known.leap, Constants::HAND_POSITION].max
              said(:leap, count: asked.leap)
            end
          )
        ].compact
      end

      def tempo(asked)
        unless known.speed.positive? && asked.speed > known.speed * Constants::FASTER_THAN_KNOWN
          return []
        end

        [said(:speed, asked: tenths(asked.speed), known: tenths(known.speed))]
      end

      def said(key, **values) = Phrase["studio.suits.#{key}", **values]

      def tenths(speed) = Phrase.number((speed * 10).round / 10r)

      # By itself, as far as days are kept and go well.
      def weeks(candidate)
        return unless candidate.work && days.positive?

        needed = [candidate.work * pace / week, candidate.chain * pace / days].max
        [(needed / (habit.kept.mean * habit.went.mean)).ceil, 1].max
      end

      def load = @load ||= Workload.new(@record)

      def pace = @record.pace

      # Practice days of a week, and their minutes.
      def days =
        @days ||= load.practice.weekdays.count { |day| !load.practice.lesson_days.include?(day) }

      def week =
        load
          .practice
          .weekdays
          .reject { |day| load.practice.lesson_days.include?(day) }
          .sum(0r) { |day| load.practice.by_day.fetch(day, load.practice.minutes) }

      def habit = @habit ||= Outlooks.new(@record).habit
    end
  end
end
