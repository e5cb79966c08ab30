# frozen_string_literal: true

module Stairwell
  module Sections
    # Looks a piece over before it is played, as a teacher does with a student:
    # how long, which key and its scale, how it is counted, what the hands have
    # to do, where it is loud and soft, what is new.
    class Preview
      # Names of intervals by scale steps up to two octaves.
      INTERVALS = %w[unison second third fourth fifth sixth seventh octave ninth tenth eleventh twelfth].map { |name| Phrase["intervals.#{name}"] }.freeze

      # @param map [Score::Map]
      # @param span [Integer, nil] semitones the student's hand reaches
      # @param pedal [Boolean] whether the student's instrument has one
      # @param known [Array<String>] what the student has met before
      # @param share [NewShare] of the map
      def initialize(map, span: nil, pedal: true, known: [], share: NewShare.new(map))
        @map = map
        @span = span
        @pedal = pedal
        @share = share
        @known = known.map { |one| one.strip.downcase }
        @wording = Roadmap::Wording.new(map)
        @values = Values.new(map)
      end

      # @return [Array<Fact>]
      def facts
        [length, *keys, *meters, tempo, *clefs, *note_values, *hands, *accidentals, *marks, *introduced, time].compact
      end

      private

      def fact(topic, text, bars: [], caution: nil) = Fact.new(topic: topic.is_a?(Symbol) ? Phrase["sections.preview.topics.#{topic}"] : topic, text: text, bars: bars, caution: caution)

      def length
        layout = @map.layout
        said = {bars: Phrase["counts.bars", count: @map.bars.size], fresh: @share.new_bars.round}
        return fact(:length, Phrase["sections.preview.length", **said]) if layout.assumed?

        fact(:length, Phrase["sections.preview.length_on_pages", lines: Phrase["counts.lines", count: layout.lines.size], pages: Phrase["counts.pages", count: layout.pages.size], **said])
      end

      def keys
        @map.keys.map do |key|
          signs = if key.fifths.zero?
            Phrase["sections.preview.no_sharps_or_flats"]
          else
            Phrase[key.fifths.positive? ? "counts.sharps" : "counts.flats", count: key.fifths.abs]
          end
          fact(:key, Phrase["sections.preview.key", key: from(key.name, key.bar), signs: signs, scale: Scale.new(key).names.map { |name| Score::Names.of(name) }.join(" ")], bars: [key.bar])
        end
      end

      # A word is vague and a mark often too fast; the teacher's target tempo is said beside.
      def tempo
        said = Score::TempoWords.said(@map.tempo&.words)
        fact(:tempo, Phrase["sections.preview.target_beats_per_minute", said: said, tempo: @map.target_tempo.round], bars: [1]) if said
      end

      def from(what, bar) = (bar == 1) ? what.to_s : Phrase["sections.preview.from", what: what.to_s, bar: @wording.bar(bar)]

      def meters
        @map.bars.slice_when { |a, b| a.meter != b.meter }.map(&:first).map do |bar|
          fact(:time, Phrase["sections.preview.time", meter: from(bar.meter, bar.index), counting: @values.counting(bar.meter)], bars: [bar.index])
        end
      end

      def clefs
        @map.clefs.group_by(&:hand).map do |hand, all|
          first, *changes = all
          later = changes.map { |one| Phrase["sections.preview.from", what: one.name, bar: @wording.bar(one.bar)] }
          fact(:clef, Phrase.list([Phrase["sections.preview.hand", hand: Phrase["hands.#{hand}"], clef: first.name], *later], by: :comma), bars: changes.map(&:bar))
        end
      end

      def note_values
        names = @values.names
        [(fact(:note_values, Phrase.list(names, by: :comma)) if names.any?)]
      end

      def hands
        Likeness::HANDS.flat_map { |hand| said(hand) || played(hand) }
      end

      # What the teacher or the page says of a start comes before what is found.
      def said(hand)
        starts = @map.markings.starts.select { |one| one.hand == hand }
        return if starts.empty? || @map.notes?

        starts.map { |one| fact(Phrase["hands.#{hand}"], told(one), bars: [one.bar]) }
      end

      def told(start)
        key = {finger: start.finger, key: start.pitch.name}
        return Phrase["sections.preview.starts_with", **key] if start.bar == 1

        Phrase["sections.preview.moves_to", bar: @wording.bar(start.bar), **key]
      end

      def played(hand)
        reach = Reach.new(@map, hand)
        return [] unless reach.plays?

        shifts = reach.shifts
        moves = shifts.empty? ? Phrase["sections.preview.stays_in_place"] : Phrase["sections.preview.moves", count: shifts.size]
        [
          fact(Phrase["hands.#{hand}"], Phrase.list([between(reach.range), begins(hand, reach), moves], by: :semicolon), bars: shifts.map(&:bar).uniq),
          stretch(hand, reach.widest)
        ].compact
      end

      def between(pitches) = Phrase["sections.preview.between", low: pitches.first.name, high: pitches.last.name]

      def begins(hand, reach)
        start = @map.markings.starts.find { |one| one.hand == hand && one.bar <= 2 }
        return Phrase["sections.preview.starts_with", finger: start.finger, key: start.pitch.name] if start

        Phrase["sections.preview.starts_within", range: between(reach.start)]
      end

      def stretch(hand, widest)
        return unless widest && widest.semitones > Constants::HAND_POSITION

        over = @span && widest.semitones > @span
        wide = INTERVALS.fetch(widest.high.staff_step - widest.low.staff_step, Phrase["sections.preview.semitones", semitones: widest.semitones])
        said = Phrase["sections.preview.widest", range: between([widest.low, widest.high]), interval: wide, bar: @wording.bar(widest.bar)]
        said = Phrase.list([said, Phrase["sections.preview.wider_than_the_hand", count: widest.semitones - @span]], by: :semicolon) if over
        fact(Phrase["hands.#{hand}"], said,
          bars: [widest.bar], caution: (Cautions::ALL[:stretch].full if Cautions.wide?(widest.semitones, @span)))
      end

      def accidentals
        found = Hash.new { |all, name| all[name] = [] }
        @map.notes.each do |bar, hands|
          key = @map.keys.reverse.find { |one| one.bar <= bar } || Score::Key.new(fifths: 0)
          hands.values.flatten.each do |note|
            next if note.pitch.alter == key.alter(note.pitch.step)

            found[note.pitch.alter.zero? ? Phrase["sections.preview.natural", step: note.pitch.step] : Score::Names.of("#{note.pitch.step}#{Score::Pitch::SIGNS[note.pitch.alter]}")] |= [bar]
          end
        end
        return [] if found.empty?

        [fact(:outside_the_key, Phrase.list(found.map { |name, bars| Phrase["sections.preview.name_at", name: name, bars: names(bars)] }, by: :comma), bars: found.values.flatten.uniq)]
      end

      def names(bars) = Phrase["sections.preview.bars", count: bars.size, bars: Phrase.list(bars.map { |bar| @map.bar(bar).name }, by: :comma)]

      def marks
        markings = @map.markings
        [
          listed(:dynamics, markings.dynamics) { |one| Phrase["sections.preview.at", one: one.words, bar: @map.bar(one.span.from).name] },
          listed(:pedal, markings.pedal) { |one| @wording.bars(one) }&.then { |one| @pedal ? one : one.with(text: Phrase["sections.preview.the_instrument_at_home_has_no", text: one.text]) },
          listed(:fermatas, markings.fermatas) { |one| Phrase["sections.preview.counts_held_for", bar: @wording.bar(one.bar), counts: Roadmap.number(one.counts), held: Roadmap.number(one.held || one.counts * 2)] },
          listed(:slowing_down, markings.ritardandi) { |one| @wording.bars(one) },
          listed(:octave_lines, markings.octaves) { |one| octave_line(one) },
          listed(:ornaments, markings.ornaments) { |one| @wording.bar(one.from) },
          listed(:lyrics, markings.verses) { |one| Phrase["sections.preview.verse", number: one.number, bars: @wording.bars(one.span)] }
        ].compact
      end

      def octave_line(one)
        where = [@wording.bars(one.span), (Phrase["hands.#{one.hand}"] if one.hand)].compact
        Phrase[one.up ? "sections.preview.higher_than_written" : "sections.preview.lower_than_written", place: Phrase.list(where, by: :comma)]
      end

      def listed(topic, all)
        return if all.empty?

        fact(topic, Phrase.list(all.map { |one| yield one }, by: :semicolon), bars: all.map { |one|
          if one.is_a?(Score::Fermata)
            one.bar
          else
            (one.respond_to?(:span) ? one.span : one).from
          end
        }.uniq)
      end

      def introduced
        news = @map.markings.introduces.reject { |one| @known.include?(one.strip.downcase) }
        [(fact(:new_here, Phrase.list(news, by: :semicolon)) if news.any?)]
      end

      def time
        seconds = Roadmap.read(@map).seconds.round
        fact(:to_play_once, Phrase["sections.preview.lasts", time: format("%d:%02d", *seconds.divmod(60)), tempo: @map.target_tempo.round])
      end
    end
  end
end
