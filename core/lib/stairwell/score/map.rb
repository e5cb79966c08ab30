# frozen_string_literal: true

module Stairwell
  module Score
    # Everything known about a printed piece, as one immutable value. All
    # places in it are bar indexes.
    #
    # - `bars`: Array<Bar>; `pages`: Array<Page>, empty when not described
    # - `keys`: Array<Key> in order of bar; `tempo`: Tempo
    # - `repeats`, `endings`, `sections`: as printed, and as the teacher marked
    # - `segno`, `coda`: bars that begin with the sign; `to_coda`, `fine`: bars
    #   after which the music leaves or stops; `double_bars`: bars that end with
    #   a double line; `jumps`: Array<Jump>; `leaves`: Array<Leave>, which coda is meant; `clefs`:
    #   Array<Clef>
    # - `notes`: Hash of bar index to {right: [Note], left: [Note]}, empty
    #   when no score was read
    # - `phrasing`: Phrasing, what a score says of phrases beside its notes
    # - `markings`: Markings, what the page says beside its notes and signs
    # - `remarks`: lines a person typed that carry no sign (comments, and
    #   statements not understood), kept so that nothing typed is lost
    # - `unread`: what a score held that is not used, as [what, bars] pairs; `assumed`: what was
    #   assumed of it ({Assumed}), likewise
    Map =
      Stairwell.value(
        :title,
        :bars,
        composer: nil,
        book: nil,
        level: nil,
        pages: [],
        keys: [],
        tempo: Tempo.new,
        repeats: [],
        endings: [],
        segno: [],
        coda: [],
        to_coda: [],
        fine: [],
        double_bars: [],
        jumps: [],
        leaves: [],
        clefs: [],
        markings: Markings.new,
        sections: [],
        notes: {
        },
        phrasing: Phrasing.new,
        remarks: [],
        unread: [],
        assumed: []
      ) do
        # @return [Layout]
        def layout = Layout.new(pages, bars)

        # @return [Bar, nil]
        def bar(index) = (bars[index - 1] if index.positive?)

        # @return [Bar, nil] by the number people say
        def numbered(number) = bars.find { |bar| bar.number == number }

        def pickup? = bars.first.pickup?

        # @return [Array<Meter>] one for each change, in order
        def meters = bars.map(&:meter).uniq

        def notes? = notes.any?

        # @param span [Span]
        # @return [Rational] its printed counts, from its first beat to its last
        def counts(span)
          whole = span.bars.sum(0r) { |index| bar(index).counts }
          before = span.from_beat ? span.from_beat - 1 : 0r
          after = span.to_beat ? [bar(span.to).counts - span.to_beat, 0r].max : 0r
          [whole - before - after, 0r].max
        end

        # The notes as the teacher says the hands play them: in bars marked "right
        # only" or "left only" that hand has them all.
        # @return [Map]
        def with_hands_said
          said = markings.hands.select { |one| one.span && %i[right left].include?(one.use) }
          moved =
            said.each_with_object(notes.dup) do |one, found|
              one.span.bars.each do |bar|
                all = found[bar]&.values_at(:right, :left)&.flatten&.compact or next
                found[bar] = { right: [], left: [] }.merge(
                  one.use => all.sort_by.with_index { |note, at| [note.onset, at] }
                )
              end
            end
          with(notes: moved)
        end

        # @return [Section, nil] the first section that holds the bar
        def section_at(index) = sections.find { |section| section.cover?(index) }

        # @return [Hash{Integer => Section}] the same for every bar in a section
        def sections_by_bar
          sections
            .reverse
            .each_with_object({}) do |section, found|
              section.spans.each { |span| span.bars.each { |bar| found[bar] = section } }
            end
        end

        # @param index [Integer] of a bar
        # @return [Rational] how fast its counts go beside those of the first bar, as far as marks
        #   say; 1 where they do not
        def pace(index)
          return 1r unless tempo.mark && markings.tempos.any?

          here = markings.tempos.select { |one| one.bar <= index && one.mark }.max_by(&:bar) or
            return 1r
          (here.mark * here.mark_unit / bar(index).meter.count_length) /
            (tempo.mark * tempo.mark_unit / bars.first.meter.count_length)
        end

        # @return [Rational] beats per minute: the target tempo, else the printed mark in
        #   counts, else sixty
        def target_tempo
          return tempo.target.to_r if tempo.target
          return tempo.mark * tempo.mark_unit / bars.first.meter.count_length if tempo.mark

          Constants::ASSUMED_TEMPO.to_r
        end
      end

    # Lays out bars from what a person or a score says about them.
    #
    # @param count [Integer] numbered bars
    # @param meters [Array<Meter>] with the bar index each holds from
    # @param pickup [Rational, nil] counts of an incomplete first bar
    # @param counts [Hash{Integer => Rational}] counts of other bars by index
    # @param unnumbered [Array<Integer>] indexes of bars that have no number,
    #   such as the second half of a bar that a repeat sign splits
    # @param numbers [Hash{Integer => Integer}] printed numbers by index, where
    #   the numbering starts anew
    # @return [Array<Bar>]
    def self.bars(count, meters:, pickup: nil, counts: {}, unnumbered: [], numbers: {})
      number = pickup ? -1 : 0
      bare = unnumbered.to_set
      meters = meters.sort_by.with_index { |one, at| [one.bar, at] }
      holds = 0
      made = []
      left = count + (pickup ? 1 : 0)
      while left.positive? || bare.include?(made.size + 1)
        index = made.size + 1
        left -= 1 unless bare.include?(index)
        number = numbers[index] - 1 if numbers.key?(index)
        holds += 1 while meters[holds + 1] && meters[holds + 1].bar <= index
        meter = meters[holds]
        said = (index == 1 && pickup) ? pickup : counts[index]
        made << Bar.new(
          index: index,
          number: bare.include?(index) ? nil : number += 1,
          meter: meter,
          length: said ? said * meter.count_length : meter.bar_length
        )
      end
      made
    end
  end
end
