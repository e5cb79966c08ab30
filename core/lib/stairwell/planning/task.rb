# frozen_string_literal: true

module Stairwell
  module Planning
    # A step as the planner sees it: what it costs a day, how many good days it
    # still takes, and what it waits for. `needs` must have all their good days
    # on earlier days, and where one of them or of theirs has `fallen` behind that, too; `after` may
    # stand earlier the same day. One that is not `introduced` stands nowhere, until the lesson of
    # that number (1 is the next one) has shown it; a higher `priority` comes first, `because` of
    # what is said there. `kind` of step (:alone, :together, :join, :whole) is what estimates may be
    # wrong by. Of an equal priority the lower `turn` begins first, once what was begun goes on;
    # where it is nil, whatever makes the whole ready soonest goes first. A day holds `most`
    # repetitions of it at the most, the needed ones counted. `group` is the same for all steps of a
    # piece, `section` for those of a section; a join is of the later one. `first` are the minutes
    # of its first good days, where they differ from the later `minutes`; in each of them `ready`
    # goes to getting ready. Steps of the same `sitting` stand together on each of their days;
    # planned as one they are its `parts`, of which a day holds a `share` of the section, by turns.
    # A short day may have only `fewest` repetitions of it, where that is said.
    Task =
      Stairwell.value(
        :id,
        :minutes,
        :good_days,
        title: nil,
        repetitions: Constants::REPETITIONS,
        credited: 0,
        begun: false,
        fallen: false,
        hard: false,
        join: false,
        introduced: true,
        lesson: 1,
        kind: nil,
        turn: nil,
        group: nil,
        section: nil,
        priority: 0,
        because: nil,
        most: Constants::MOST_REPETITIONS,
        needs: [],
        after: [],
        first: [],
        ready: 0r,
        sitting: nil,
        parts: [],
        share: 1,
        fewest: nil
      ) do
        # @return [Integer] good days still needed, never below 0
        def remaining = [good_days - credited, 0].max

        def begun? = begun || credited.positive?

        # @param done [Integer] good days before
        # @return [Rational] minutes of the next one
        def minutes_after(done) = first.fetch(done, minutes)

        # @return [Rational] minutes of the longest day that is left
        def longest = [minutes_after(credited), minutes].max

        # @return [Array<Rational>] minutes of each day that is left
        def days_left = remaining.times.map { |at| minutes_after(credited + at) }

        # @param days [Integer] that go by until it has the good days it still needs
        # @return [Task] with those days; how long one takes goes by how many went well
        def over(days)
          firsts =
            days
              .times
              .map { |at| credited + (at * remaining / days) }
              .take_while { |done| done < first.size }
          with(
            good_days: credited + days,
            first: first.first(credited) + firsts.map { |done| first[done] }
          )
        end

        # @param done [Integer] good days before
        # @return [Task] as it stands on the next one
        def after_days(done)
          task = first[done] ? with(minutes: first[done], first: []) : self
          if parts.empty?
            task
          else
            task.with(parts: parts.map { |part| part.after_days(part.credited + done - credited) })
          end
        end

        # @param count [Integer] repetitions
        # @return [Task] with so many
        def times(count)
          return self if count == repetitions
          if parts.any?
            return(
              with_parts(
                parts.map do |part|
                  part.times(
                    (part.repetitions - repetitions + count).clamp(1, [part.repetitions, count].max)
                  )
                end
              )
            )
          end

          with(
            repetitions: count,
            minutes: scaled(minutes, count),
            first: first.map { |each| scaled(each, count) }
          )
        end

        # @param room [Rational] minutes, enough for {#least}
        # @return [Task] as often as there is room for
        def fitting(room) =
          repetitions
            .downto(1)
            .lazy
            .map { |count| times(count) }
            .find { |task| task.minutes <= room } || least

        # @param share [Rational] of its section
        # @return [Task]
        def part_of(share)
          return self if share == 1

          shorter = ->(part, minutes) { part.ready + ((minutes - part.ready) * share) }
          with_parts(
            parts.map do |part|
              part.with(
                minutes: shorter[part, part.minutes],
                first: part.first.map { |each| shorter[part, each] }
              )
            end
          ).with(share: share)
        end

        # @return [Task] with as few repetitions as still make a good day where the day is short
        def least = times(parts.any? ? 1 : fewest || (repetitions * Constants::FEWEST).ceil)

        # @return [Boolean] whether it has fewer repetitions rather than wait for a longer day
        def shrinks? = parts.any? || !fewest.nil?

        def name = title || id

        private

        def with_parts(parts) =
          with(parts: parts, **Bundles.of(id, parts).to_h.slice(:repetitions, :minutes, :first))

        def scaled(minutes, count) = ready + ((minutes - ready) * count / repetitions)
      end
  end
end
