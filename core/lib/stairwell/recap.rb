# frozen_string_literal: true

module Stairwell
  # What is told to a student after a lesson: a few sentences in plain words, out
  # of what was heard and what is planned. The teacher edits them.
  module Recap
    # One thing heard: its title, the result, and its easier form in words.
    Outcome = Stairwell.value(:title, :result, simplification: nil)
    # One thing to do this week: its title, kind, where, how, how often, how fast
    # and on which dates; `begins` where it is new, `join` where parts are joined.
    Line = Stairwell.value(:title, :kind, :dates, place: nil, how: nil, repetitions: nil, tempo: nil, piece: nil, begins: false, minutes: nil, one_of: [])

    # Lines that are told one by one; the rest is on the sheet. Own choice: more
    # is not read.
    MOST = 6

    # Writes a recap.
    class Letter
      # @param name [String] of the student
      # @param results [Array<Outcome>]
      # @param lines [Array<Line>] in the order of the week
      # @param dates [Array<Date>] the practice days
      # @param next_lesson [Date]
      # @param child [Boolean] short sentences for those who cannot read much
      # @param introduced [Array<String>] sections shown today
      # @param style [Symbol] of {Score::Terms::STYLES}
      def initialize(name:, results:, lines:, dates:, next_lesson:, child: false, introduced: [], style: :mixed)
        @name = name
        @results = results
        @lines = lines
        @dates = dates
        @next_lesson = next_lesson
        @child = child
        @introduced = introduced
        @style = style
      end

      # @return [String] paragraphs with an empty line between
      def to_s
        parts = ["#{@child ? "Hello" : "Dear"} #{@name},", went, did_not, shown, *this_week, kept, besides, farewell]
        Score::Terms.say(parts.compact.join("\n\n"), @style, names: names)
      end

      private

      # What people and pieces are called, and what the teacher wrote: no words of
      # ours, whatever they look like.
      def names
        own = @lines.select { |one| %i[extra_work added].include?(one.kind) }.flat_map { |one| [one.title, *one.one_of] }
        [@name, *@lines.map(&:piece), *own]
      end

      def went
        good = @results.select { |one| %i[steady secure].include?(one.result) }.map(&:title)
        return if good.empty?

        "#{listed(good.first(3))} #{(good.size == 1) ? "goes" : "go"} well now. #{@child ? "Well done!" : "Well done."}"
      end

      def did_not
        hard = @results.select { |one| one.result == :not_yet }
        return if hard.empty?

        told = hard.first(2).map { |one| one.simplification ? "#{one.title}: #{one.simplification}" : one.title }
        @child ? "This was too much for now, so we take a smaller step first. #{told.map { |one| "#{one}." }.join(" ")}" : "Not there yet; first in an easier form: #{told.join("; ")}."
      end

      def shown
        return if @introduced.empty?

        "#{@child ? "We learnt" : "New today:"} #{(@introduced.size == 1) ? "section" : "sections"} #{listed(@introduced)}#{" today" if @child}."
      end

      def this_week
        steps = @lines.select { |one| one.kind == :step }
        return [@child ? "Nothing to practise this week. Play what you like!" : "There is nothing to practise this week."] if steps.empty?

        told = steps.first(MOST)
        more = " The rest is on the sheet." if steps.size > MOST
        ["#{@child ? "This week:" : "This week, a day's practice begins with what comes first here:"}\n#{told.map { |one| "– #{step(one)}" }.join("\n")}#{"\n#{more.strip}" if more}"]
      end

      # Children are told what, how often and how slowly; others also where and
      # when.
      def step(one)
        where = [one.piece, one.place].compact.join(", ")
        "#{one.title}#{" (#{where})" unless where.empty?}: #{"#{one.how}, " if one.how && !one.title.include?(one.how)}#{times(one.repetitions)}#{" at #{one.tempo}" if one.tempo}, #{on(one.dates)}."
      end

      def kept
        reviews = @lines.select { |one| %i[review run].include?(one.kind) }
        return if reviews.empty?

        "#{@child ? "Play once, so that it stays:" : "Once through, to keep it:"} #{listed(reviews.first(4).map { |one| "#{one.title} #{on(one.dates)}" })}."
      end

      def besides
        others = @lines.select { |one| %i[extra_work added].include?(one.kind) }
        return if others.empty?

        "#{@child ? "And:" : "Also this week:"} #{others.map { |one| "#{one.title}#{", one of #{listed(one.one_of, "or")}" if one.one_of.any?}, #{on(one.dates)}" }.join("; ")}."
      end

      def farewell = "See you on #{@next_lesson.strftime("%A")}, #{@next_lesson.day} #{@next_lesson.strftime("%B")}."

      # "every day", "from Friday on", "on Monday and Thursday".
      def on(dates)
        return "every day" if dates == @dates && dates.size > 1
        return "from #{dates.first.strftime("%A")} on" if dates.size > 1 && dates == @dates.last(dates.size)

        "on #{listed(dates.map { |date| date.strftime("%A") })}"
      end

      WORDS = %w[once twice three four five six seven eight].freeze

      def times(number)
        word = WORDS[number - 1] || number.to_s
        (number <= 2) ? word : "#{word} times"
      end

      def listed(words, last = "and")
        return words.first.to_s if words.size < 2

        "#{words[0...-1].join(", ")} #{last} #{words.last}"
      end
    end

    # @param said [Hash] as {Letter#initialize} takes
    # @return [String]
    def self.write(**said) = Letter.new(**said).to_s
  end
end
