# frozen_string_literal: true

module Stairwell
  module Practice
    # One thing to practise: a stage on a section, a join or the whole piece.
    #
    # - `id`: stable while the map's labels stay, such as "A.right"
    # - `spans`: Array<Score::Span> of the bars it covers; `place` the same in
    #   words (page, line, bars)
    # - `counts`: Rational, of one repetition; `tempo`: Integer beats per minute,
    #   nil for what has no pulse
    # - `aspect`, `picture` and `actions` (what each hand does) of its stage
    # - `repetitions` a day, `most` where there is time for more; `good_days` in all; `minutes` a
    # day, in halves
    # - `needs`, `after`: ids of other steps
    # - `parts`: labels of the sections it covers; `introduced_by`: :section with them,
    #   :stage when that stage was introduced
    # - `notes`: what to know beside, such as how long a fermata is held
    # - `arithmetic`: how minutes and days come about, in words
    # - `seconds` of one repetition where there is no tempo; `new`: how new it is to play, 0 to 1
    # - `fewest`: repetitions a short day may have of it; nil for all of them
    # - `small_count`: whether its small beat is counted
    # - `repeats`: false goes once through the page
    # - `notes_per_count`: notes to strike in a count, of the hand that has more of them; nil where
    # nothing is known
    # - `usual`, `top`: the tempo by its share of the target, and the fastest it may begin at, where
    # it
    #   begins at the tempo that the student holds; nil elsewhere
    # - `marks`: of a tempo ladder the rungs it climbs, the slowest first; empty elsewhere
    # - `sitting`: with which steps it stands together on each of their days; nil for none
    Step =
      Stairwell.value(
        :id,
        :stage,
        :title,
        :section,
        :hands,
        :spans,
        :place,
        :counts,
        :tempo,
        :repetitions,
        :good_days,
        :minutes,
        :done,
        :arithmetic,
        needs: [],
        after: [],
        hard: false,
        join: false,
        aspect: :notes,
        picture: :both,
        actions: {
        },
        parts: [],
        introduced_by: :section,
        notes: [],
        most: Constants::MOST_REPETITIONS,
        seconds: nil,
        new: 0r,
        sitting: nil,
        small_count: false,
        repeats: true,
        fewest: nil,
        notes_per_count: nil,
        usual: nil,
        top: nil,
        marks: []
      ) do
        # @return [Rational] minutes of all its good days: its weight in progress
        def work = minutes * good_days

        # @return [Rational] seconds of one repetition, exact, with the time to get ready again
        def once
          return minutes * 60 / repetitions unless tempo || seconds

          Estimate.seconds(counts: counts, tempo: tempo, seconds: tempo ? nil : seconds)
        end

        # @return [Integer] repetitions with which a short day is still a good one
        def least
          return 1 if sitting

          fewest ||
            [
              (repetitions * Constants::FEWEST).ceil,
              Constants::FEWER_TIMES,
              [(Constants::ENOUGH_SECONDS / once).floor, 1].max
            ].min
        end

        # @param times [Integer] repetitions of a day
        # @return [Array<Integer>] the tempo of each, slow to fast; empty where all are alike
        def tempos(times) =
          marks.empty? ? [] : Array.new(times) { |at| marks[at * marks.size / times] }

        # @param count [Integer] repetitions
        # @return [Step] with so many, and the minutes and words that follow
        def times(count)
          return self if count == repetitions

          minutes =
            Estimate.minutes(
              counts: counts,
              tempo: tempo,
              seconds: tempo ? nil : seconds,
              repetitions: count
            )
          with(
            repetitions: count,
            minutes: minutes,
            arithmetic:
              Wording.arithmetic(
                minutes,
                count,
                counts,
                tempo,
                good_days,
                seconds: seconds,
                usual: usual
              )
          )
        end

        # @param other [Integer] beats per minute
        # @return [Step] the same at another tempo
        def at(other)
          return self if other == tempo

          minutes = Estimate.minutes(counts: counts, tempo: other, repetitions: repetitions)
          with(
            tempo: other,
            minutes: minutes,
            arithmetic:
              Wording.arithmetic(minutes, repetitions, counts, other, good_days, usual: usual)
          )
        end

        # @param tempo [Numeric] beats per minute
        # @return [Rational, nil] notes a second at that tempo
        def speed(tempo = self.tempo) = notes_per_count && tempo && notes_per_count * tempo / 60

        # @return [Symbol] what its estimate may be wrong by: :alone, :together, :join, :whole
        def kind
          return :join if join
          return :whole unless section

          (hands == :both) ? :together : :alone
        end

        # @return [Hash{String => Object}] JSON-ready
        def to_data
          to_h
            .to_h { |key, value| [key.to_s, Phrase.pack(value)] }
            .merge(
              "stage" => stage.to_s,
              "hands" => hands.to_s,
              "counts" => counts.to_s,
              "minutes" => minutes.to_s,
              "new" => new.to_s,
              "notes_per_count" => notes_per_count&.to_s,
              "aspect" => aspect.to_s,
              "introduced_by" => introduced_by.to_s,
              "picture" => picture.to_s,
              "actions" => actions.to_h { |hand, action| [hand.to_s, action.to_s] },
              "spans" =>
                spans.map { |span| [span.from, span.to, span.from_beat&.to_s, span.to_beat&.to_s] }
            )
        end
      end

    # @return [Score::Span]
    def Step.load_span(from, to, from_beat = nil, to_beat = nil)
      Score::Span.new(
        from: from,
        to: to,
        from_beat: from_beat && Rational(from_beat),
        to_beat: to_beat && Rational(to_beat)
      )
    end

    # What kept steps and routines called their aspects before.
    FORMER_ASPECTS = { "words" => "lyrics", "touch" => "articulation" }.freeze

    # Steps kept from before said how they "open".
    # @return [Symbol] of {Stage::INTRODUCED_BY}
    def Step.introduced_by(data) =
      data.fetch("introduced_by") { (data["opens"] == "taught") ? "stage" : "section" }.to_sym

    # @param data [Hash{String => Object}] as {Step#to_data} gives
    # @return [Step]
    def Step.from_data(data)
      # Titles were strings before phrases were; since then a string is somebody's own.
      said =
        data
          .slice("title", "place", "done", "arithmetic")
          .transform_values do |text|
            data["title"].is_a?(String) ? Phrase.load(text) : Phrase.unpack(text)
          end
      new(
        **data
          .except("opens")
          .merge(said)
          .transform_keys(&:to_sym)
          .merge(
            notes: data.fetch("notes", []).map { |note| Phrase.unpack(note) },
            stage: data["stage"].to_sym,
            hands: data["hands"].to_sym,
            counts: Rational(data["counts"]),
            minutes: Rational(data["minutes"]),
            new: Rational(data.fetch("new", 0)),
            notes_per_count: data["notes_per_count"]&.to_r,
            spans: data["spans"].map { |span| load_span(*span) },
            aspect:
              data
                .fetch("aspect", "notes")
                .then { |aspect| FORMER_ASPECTS.fetch(aspect, aspect) }
                .to_sym,
            introduced_by: introduced_by(data),
            picture: (data["picture"] || "both").to_sym,
            actions: data.fetch("actions", {}).to_h { |hand, action| [hand.to_sym, action.to_sym] }
          )
      )
    end
  end
end
