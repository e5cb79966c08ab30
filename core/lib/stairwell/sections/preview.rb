# frozen_string_literal: true

module Stairwell
  module Sections
    # Looks a piece over before it is played, as a teacher does with a student:
    # how long, which key and its scale, how it is counted, what the hands have
    # to do, where it is loud and soft, what is new.
    class Preview
      # @param map [Score::Map]
      # @param span [Integer, nil] semitones the student's hand reaches
      # @param pedal [Boolean] whether the student's instrument has one
      # @param known [Array<String>] what the student has met before
      # @param share [NewShare] of the map
      # @param counting [Symbol] how one counts, of {Aspects::Counting::SYSTEMS}
      def initialize(
        map,
        span: nil,
        pedal: true,
        known: [],
        share: NewShare.new(map),
        counting: Aspects::Counting::SYSTEMS.first
      )
        @map = map
        @span = span
        @pedal = pedal
        @share = share
        @counting = counting
        @known = known.map { |one| one.strip.downcase }
        @wording = Roadmap::Wording.new(map)
        @values = Values.new(map)
      end

      # @return [Array<Fact>]
      def facts
        [
          length,
          *keys,
          *meters,
          tempo,
          *clefs,
          *note_values,
          *hands,
          *AspectFacts.new(@map, counting: @counting).facts,
          *marks,
          *introduced,
          time
        ].compact
      end

      private

      def fact(topic, text, bars: [], caution: nil) =
        Fact.new(
          topic: topic.is_a?(Symbol) ? Phrase["sections.preview.topics.#{topic}"] : topic,
          text: text,
          bars: bars,
          caution: caution
        )

      def length
        layout = @map.layout
        said = { bars: Phrase["counts.bars", count: @map.bars.size], fresh: @share.new_bars.round }
        return fact(:length, Phrase["sections.preview.length", **said]) if layout.assumed?

        fact(
          :length,
          Phrase[
            "sections.preview.length_on_pages",
            lines: Phrase["counts.lines", count: layout.lines.size],
            pages: Phrase["counts.pages", count: layout.pages.size],
            **said
          ]
        )
      end

      def keys
        @map.keys.map do |key|
          signs =
            if key.fifths.zero?
              Phrase["sections.preview.no_sharps_or_flats"]
            else
              Phrase[key.fifths.positive? ? "counts.sharps" : "counts.flats", count: key.fifths.abs]
            end
          fact(
            :key,
            Phrase[
              "sections.preview.key",
              key: from(key.name, key.bar),
              signs: signs,
              scale: Score::Scale.new(key).names.map { |name| Score::Names.of(name) }.join(" ")
            ],
            bars: [key.bar]
          )
        end
      end

      # A word is vague and a mark often too fast; the teacher's target tempo is said beside.
      def tempo
        words = @map.tempo&.words
        mark = @map.with(tempo: @map.tempo.with(target: nil)).target_tempo if @map.tempo&.mark
        said =
          Score::TempoWords
            .said(words)
            &.then do |one|
              Phrase.list([one, *Score::TempoWords.contradiction(words, mark)], by: :semicolon)
            end
        if said
          fact(
            :tempo,
            Phrase[
              "sections.preview.target_beats_per_minute",
              said: said,
              tempo: @map.target_tempo.round
            ],
            bars: [1]
          )
        end
      end

      def from(what, bar) =
        if bar == 1
          what.to_s
        else
          Phrase["sections.preview.from", what: what.to_s, bar: @wording.bar(bar)]
        end

      def meters
        @map
          .bars
          .slice_when { |a, b| a.meter != b.meter }
          .map(&:first)
          .map do |bar|
            fact(
              :time,
              Phrase[
                "sections.preview.time",
                meter: from(bar.meter, bar.index),
                counting: @values.counting(bar.meter)
              ],
              bars: [bar.index]
            )
          end
      end

      def clefs
        @map
          .clefs
          .group_by(&:hand)
          .map do |hand, all|
            first, *changes = all
            later =
              changes.map do |one|
                Phrase["sections.preview.from", what: one.name, bar: @wording.bar(one.bar)]
              end
            fact(
              :clef,
              Phrase.list(
                [
                  Phrase["sections.preview.hand", hand: Phrase["hands.#{hand}"], clef: first.name],
                  *later
                ],
                by: :comma
              ),
              bars: changes.map(&:bar)
            )
          end
      end

      def note_values
        names = @values.names
        [(fact(:note_values, Phrase.list(names, by: :comma)) if names.any?)]
      end

      def hands
        Likeness::HANDS.flat_map do |hand|
          said(hand) || HandFacts.new(@map, hand, places: places, span: @span).facts
        end
      end

      def places =
        @places ||=
          Likeness::HANDS.to_h { |hand| [hand, Aspects::Places.new(Aspects::Line.new(@map, hand))] }

      # What the teacher or the page says of a start, where no notes are known.
      def said(hand)
        starts = @map.markings.starts.select { |one| one.hand == hand }
        return if starts.empty? || @map.notes?

        starts.map { |one| fact(Phrase["hands.#{hand}"], told(one), bars: [one.bar]) }
      end

      def told(start)
        key = { finger: start.finger, key: start.pitch.name }
        return Phrase["sections.preview.guides", bar: @wording.bar(start.bar), **key] if start.guide
        return Phrase["sections.preview.starts_with", **key] if start.bar == 1

        Phrase["sections.preview.moves_to", bar: @wording.bar(start.bar), **key]
      end

      def marks
        markings = @map.markings
        [
          listed(:dynamics, markings.dynamics) do |one|
            Phrase["sections.preview.at", one: one.words, bar: @map.bar(one.span.from).name]
          end,
          listed(:pedal, joined(markings.pedal)) { |one| @wording.bars(one) }&.then do |one|
            if @pedal
              one
            else
              one.with(
                text: Phrase["sections.preview.the_instrument_at_home_has_no", text: one.text]
              )
            end
          end,
          listed(:fermatas, markings.fermatas) do |one|
            Phrase[
              "sections.preview.counts_held_for",
              bar: @wording.bar(one.bar),
              counts: Roadmap.number(one.counts),
              held: Roadmap.number(one.held || one.counts * 2)
            ]
          end,
          listed(:slowing_down, markings.ritardandi) { |one| @wording.bars(one) },
          listed(:octave_lines, markings.octaves) { |one| octave_line(one) },
          listed(:ornaments, markings.ornaments) { |one| @wording.bar(one.from) },
          listed(:lyrics, markings.verses) do |one|
            Phrase["sections.preview.verse", number: one.number, bars: @wording.bars(one.span)]
          end
        ].compact
      end

      # Spans that go on in the next bar as one.
      def joined(spans)
        spans
          .sort_by(&:from)
          .slice_when { |one, other| other.from > one.to + 1 }
          .map { |all| Score::Span.new(from: all.first.from, to: all.map(&:to).max) }
      end

      def octave_line(one)
        where = [@wording.bars(one.span), (Phrase["hands.#{one.hand}"] if one.hand)].compact
        Phrase[
          one.up ? "sections.preview.higher_than_written" : "sections.preview.lower_than_written",
          place: Phrase.list(where, by: :comma)
        ]
      end

      def listed(topic, all)
        return if all.empty?

        fact(
          topic,
          Phrase.list(all.map { |one| yield one }, by: :semicolon),
          bars:
            all
              .map do |one|
                if one.is_a?(Score::Fermata)
                  one.bar
                else
                  (one.respond_to?(:span) ? one.span : one).from
                end
              end
              .uniq
        )
      end

      def introduced
        news = @map.markings.introduces.reject { |one| @known.include?(one.strip.downcase) }
        [(fact(:new_here, Phrase.list(news, by: :semicolon)) if news.any?)]
      end

      def time
        seconds = Roadmap.read(@map).seconds.round
        fact(
          :to_play_once,
          Phrase[
            "sections.preview.lasts",
            time: format("%d:%02d", *seconds.divmod(60)),
            tempo: @map.target_tempo.round
          ]
        )
      end
    end
  end
end
