# frozen_string_literal: true

module Stairwell
  # What a student is told after a lesson: a few sentences in plain words, out of what was heard and
  # what is planned, short enough to be read aloud. The teacher edits them.
  module Recap
    # One place that was heard: what it's called, how it went, of which piece, with which hands, and
    # its easier form in words.
    Outcome = Stairwell.value(:title, :result, piece: nil, hands: :both, simplification: nil)
    # One row of the week: its kind and title, the stages it comes through, the tempo it comes to,
    # the numbers of its practice days, and what one of which is to be chosen.
    Row = Stairwell.value(:kind, :title, :days, stages: [], tempo: nil, piece: nil, one_of: [])

    # Writes a recap, in one of two registers: for those who read, and for a child.
    class Letter
      # @param name [String] of the student
      # @param results [Array<Outcome>]
      # @param rows [Array<Row>] in the order of the week
      # @param days [Integer] practice days of the week
      # @param next_lesson [Date, nil] nil where none is in sight
      # @param child [Boolean] short sentences for those who cannot read much
      # @param introduced [Array<String>] sections shown today
      # @param short_day [Boolean] whether rows are marked for a day with little time
      def initialize(
        name:,
        results:,
        rows:,
        days:,
        next_lesson:,
        child: false,
        introduced: [],
        short_day: false
      )
        @name = name
        @results = results
        @rows = rows
        @days = days
        @next_lesson = next_lesson
        @register = child ? "child" : "reader"
        @introduced = introduced
        @short_day = short_day
      end

      # @return [String] paragraphs with an empty line between, in the language that is spoken now,
      #   of {Constants::RECAP_WORDS} words at most
      def to_s
        LEAST_NEEDED
          .size
          .succ
          .times
          .lazy
          .map { |left_out| written(LEAST_NEEDED.first(left_out)) }
          .find { |text| text.split.size <= Constants::RECAP_WORDS } || written(LEAST_NEEDED)
      end

      private

      # What is left out of a long recap, the first first: it's on the chart.
      LEAST_NEEDED = %i[
        sight_reading
        repertoire
        keep_fresh
        warm_up
        other_work
        short_day
        whole
        grow
      ].freeze
      GOOD = %i[steady secure].freeze
      private_constant :LEAST_NEEDED, :GOOD

      def say(key, **values) = Phrase["recap.#{@register}.#{key}", **values]

      def written(without)
        rows = @rows.reject { |row| without.include?(row.kind) }
        [
          say(:greeting, name: @name),
          shown,
          *pieces.map { |piece| of_piece(piece, rows) },
          beside(rows),
          (say(:short_day) if @short_day && !without.include?(:short_day)),
          farewell
        ].compact.join("\n\n")
      end

      def pieces = (@rows.map(&:piece) | @results.map(&:piece)).compact

      # Each piece is named once.
      def of_piece(piece, rows)
        heard = @results.select { |outcome| outcome.piece == piece }
        said = [went(heard), *did_not(heard), *sentences(rows.select { |row| row.piece == piece })]
        said.compact!
        Phrase["recap.of_piece", piece: piece, said: said.join(" ")] if said.any?
      end

      def went(heard)
        hard = heard.select { |outcome| outcome.result == :not_yet }.map(&:title)
        good =
          heard.select { |outcome| GOOD.include?(outcome.result) && !hard.include?(outcome.title) }
        whole = good.select { |outcome| outcome.hands == :both }.map(&:title)
        good = good.reject { |outcome| outcome.hands != :both && whole.include?(outcome.title) }
        good = good.uniq { |outcome| [outcome.title, outcome.hands] }.last(Constants::RECAP_TITLES)
        return if good.empty?

        by_hands = good.group_by(&:hands).sort_by { |hands, _| (hands == :both) ? 0 : 1 }
        count = by_hands.sum { |hands, all| (hands == :both) ? all.size : 1 }
        said = by_hands.map { |hands, all| with_hands(hands, all.map(&:title)) }
        say(:goes_well, titles: Phrase.capital(Phrase.list(said)), count: count)
      end

      # "A and A1", "the right hand of A and A1"
      def with_hands(hands, titles)
        list = Phrase.list(titles)
        (hands == :both) ? list : Phrase["recap.hand.#{hands}", titles: list]
      end

      def did_not(heard) =
        heard
          .select { |outcome| outcome.result == :not_yet }
          .uniq(&:title)
          .first(Constants::RECAP_TITLES)
          .map do |outcome|
            title = Phrase.capital(with_hands(outcome.hands, [outcome.title]))
            if outcome.simplification
              say(:easier, title: title, form: outcome.simplification)
            else
              say(:did_not_go, title: title)
            end
          end

      def shown
        if @introduced.any?
          say(:introduced, sections: Phrase.list(@introduced), count: @introduced.size)
        end
      end

      def sentences(rows) =
        rows.map do |row|
          say(
            row.kind,
            title: row.title,
            how: how(row),
            count: row.days.size,
            days: after(row.title, days(row.days))
          ).to_s.squeeze(" ").gsub(/ (?=[.,])/, "")
        end

      # "A, B and C, one into the next, on day 1"
      def after(title, days) =
        (title.to_s.include?(",") && days.start_with?("on")) ? ", #{days}" : days

      # How far the whole piece goes is a matter of its tempo, all else of its stages.

      # "right hand, left hand, then hands together, up to 60"
      def how(row)
        if row.kind == :whole
          return(
            (row.tempo && @register == "reader") ? Phrase["recap.tempo", tempo: row.tempo].to_s : ""
          )
        end

        stages = row.stages.uniq(&:to_s)
        way =
          if stages.size > Constants::RECAP_STAGES
            Phrase["recap.from_to", from: stages.first, to: stages.last]
          elsif stages.size > 1
            Phrase["recap.then", first: Phrase.list(stages[0...-1], by: :comma), last: stages.last]
          else
            stages.first
          end
        return way.to_s unless row.tempo && @register == "reader"

        Phrase["recap.up_to", way: way, tempo: row.tempo].to_s
      end

      # Only where they aren't nearly all: "from day 3 on", "on days 2 and 4".
      def days(numbers)
        return "" if numbers.size >= @days - 1

        if numbers == (numbers.first..@days).to_a
          Phrase["recap.from_day_on", number: numbers.first].to_s
        else
          Phrase["recap.on_days", numbers: Phrase.list(numbers), count: numbers.size].to_s
        end
      end

      def beside(rows)
        others = rows.reject(&:piece)
        return say(:nothing_to_practise) if @rows.empty?

        said =
          %i[warm_up sight_reading repertoire other_work].filter_map do |kind|
            lines = others.select { |row| row.kind == kind }
            if lines.any?
              say(
                kind,
                title: Phrase.list(lines.map { |row| choice(row) }),
                count: lines.size,
                days: ""
              )
            end
          end
        said.join(" ") if said.any?
      end

      def choice(row)
        return row.title if row.one_of.empty?

        Phrase["recap.one_of", title: row.title, choices: Phrase.list(row.one_of, by: :or)]
      end

      def farewell = (say(:farewell, day: Phrase.day(@next_lesson, :full)) if @next_lesson)
    end

    # @param told [Hash] as {Letter#initialize} takes
    # @return [String]
    def self.write(**told) = Letter.new(**told).to_s
  end
end
