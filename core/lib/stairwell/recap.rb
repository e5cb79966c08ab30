# frozen_string_literal: true

module Stairwell
  # What is told to a student after a lesson: a few sentences in plain words, out
  # of what was heard and what is planned. The teacher edits them.
  module Recap
    # One thing heard: its title, the result, and its easier form in words.
    Outcome = Stairwell.value(:title, :result, simplification: nil)
    # One thing to do this week: its title, kind, where, how often, how fast and on
    # which dates; `share` is its tempo beside that of the piece, `one_of` where one of several
    # is to be chosen.
    Line =
      Stairwell.value(
        :title,
        :kind,
        :dates,
        place: nil,
        repetitions: nil,
        tempo: nil,
        share: nil,
        piece: nil,
        one_of: []
      )

    # Writes a recap, in one of two registers: for those who read, and for a child.
    class Letter
      # @param name [String] of the student
      # @param results [Array<Outcome>]
      # @param lines [Array<Line>] in the order of the week
      # @param dates [Array<Date>] the practice days
      # @param next_lesson [Date, nil] nil where none is in sight
      # @param child [Boolean] short sentences for those who cannot read much
      # @param introduced [Array<String>] sections shown today
      def initialize(name:, results:, lines:, dates:, next_lesson:, child: false, introduced: [])
        @name = name
        @results = results
        @lines = lines
        @dates = dates
        @next_lesson = next_lesson
        @register = child ? "child" : "reader"
        @introduced = introduced
      end

      # @return [String] paragraphs with an empty line between, in the language that is
      #   spoken now
      def to_s
        [
          say(:greeting, name: @name),
          went,
          did_not,
          shown,
          this_week,
          kept,
          more,
          also,
          farewell
        ].compact.join("\n\n")
      end

      private

      def say(key, **values) = Phrase["recap.#{@register}.#{key}", **values]

      def went
        good = @results.select { |one| %i[steady secure].include?(one.result) }.map(&:title)
        say(:goes_well, titles: Phrase.list(good.first(3)), count: good.first(3).size) if good.any?
      end

      def did_not
        hard = @results.select { |one| one.result == :not_yet }.first(2)
        return if hard.empty?

        told =
          hard.map do |one|
            if one.simplification
              Phrase["recap.easier", title: one.title, form: one.simplification]
            else
              one.title
            end
          end
        say(:did_not_go, steps: Phrase.list(told, by: :semicolon))
      end

      def shown
        if @introduced.any?
          say(:introduced, sections: Phrase.list(@introduced), count: @introduced.size)
        end
      end

      def this_week
        steps = @lines.select { |one| one.kind == :step }
        return say(:nothing_to_practise) if steps.empty?

        [
          say(:this_week),
          warm_ups,
          *steps
            .first(Constants::RECAP_LINES)
            .map { |one| Phrase["recap.bullet", line: step(one)] },
          (Phrase["recap.rest_on_sheet"] if steps.size > Constants::RECAP_LINES)
        ].compact.join("\n")
      end

      def warm_ups
        lines = @lines.select { |one| one.kind == :warm_up }
        if lines.any?
          Phrase[
            "recap.bullet",
            line: say(:warm_ups, work: Phrase.list(lines.map { |one| with_days(one) }))
          ]
        end
      end

      # The days are said where it is not every day.
      def with_days(one) =
        if one.dates == @dates
          one.title
        else
          Phrase["recap.on_days", title: one.title, days: on(one.dates)]
        end

      def step(one)
        where = [one.piece, one.place].compact
        title =
          (
            if where.empty?
              one.title
            else
              Phrase[
                "recap.title_and_place",
                title: one.title,
                place: Phrase.list(where, by: :comma)
              ]
            end
          )
        often = often(one.repetitions)
        often = at_tempo(one, often) if one.tempo
        Phrase["recap.step", title: title, often: often, days: on(one.dates)]
      end

      # A number says nothing to a child: how fast it is beside what it will be.
      def at_tempo(one, often)
        unless @register == "child" && one.share
          return Phrase["recap.at_tempo", often: often, tempo: one.tempo]
        end

        word = SPEEDS.find { |_, share| one.share < share }&.first || :full
        Phrase["recap.at_speed", often: often, speed: Phrase["recap.speed.#{word}"]]
      end

      # Shares of the target tempo below which a tempo is called so. Own choice.
      SPEEDS = { slow: 65 / 100r, walking: 85 / 100r, nearly: 1r }.freeze
      private_constant :SPEEDS

      # Older sections, for which there is time, with their counts.
      def more
        lines = @lines.select { |one| one.kind == :more }.first(4)
        if lines.any?
          say(
            :more,
            steps:
              Phrase.list(
                lines.map do |one|
                  Phrase[
                    "recap.often_on_days",
                    title: one.title,
                    often: often(one.repetitions),
                    days: on(one.dates)
                  ]
                end,
                by: :semicolon
              )
          )
        end
      end

      def kept
        reviews = @lines.select { |one| %i[review run].include?(one.kind) }.first(4)
        if reviews.any?
          say(
            :to_keep,
            steps:
              Phrase.list(
                reviews.map { |one| Phrase["recap.on_days", title: one.title, days: on(one.dates)] }
              )
          )
        end
      end

      def also
        others = @lines.select { |one| %i[extra_work added].include?(one.kind) }
        return if others.empty?

        told =
          others.map do |one|
            title =
              (
                if one.one_of.any?
                  Phrase[
                    "recap.one_of",
                    title: one.title,
                    choices: Phrase.list(one.one_of, by: :or)
                  ]
                else
                  one.title
                end
              )
            Phrase["recap.also_on_days", title: title, days: on(one.dates)]
          end
        say(:also, work: Phrase.list(told, by: :semicolon))
      end

      def farewell = (say(:farewell, day: Phrase.day(@next_lesson, :full)) if @next_lesson)

      # "every day", "from Friday on", "on Monday and Thursday".
      def on(dates)
        return Phrase["recap.every_day"] if dates == @dates && dates.size > 1
        if dates.size > 1 && dates == @dates.last(dates.size)
          return Phrase["recap.from_day_on", day: Phrase.day(dates.first)]
        end

        Phrase["recap.on", days: Phrase.list(dates.map { |date| Phrase.day(date) })]
      end

      def often(number) =
        if number.between?(1, 8)
          Phrase["recap.often.#{number}"]
        else
          Phrase["counts.repetitions", count: number]
        end
    end

    # @param told [Hash] as {Letter#initialize} takes
    # @return [String]
    def self.write(**told) = Letter.new(**told).to_s
  end
end
