# frozen_string_literal: true

module Stairwell
  module Server
    module Features
      # A map as a screen shows it: the page, the playing order, the figures.
      # All of it is computed by the core; the browser only draws.
      class PageJson
        # @param map [Score::Map]
        # @param about [Hash] of the student it is shown for: span:, pedal:
        def initialize(map, about: {})
          @map = map
          @about = about
          @layout = map.layout
          @reading = Roadmap.read(map)
          @form = Sections.form(map, @reading)
          @share = Sections.new_share(map)
          @loops = Roadmap::Repeats.of(map).loops
          @writer = Formats::PageScript::Writer.new(map)
          @played = @reading.order.tally
          @sections = map.sections_by_bar
        end

        # @return [Roadmap::Reading]
        attr_reader :reading
        # @return [Sections::NewShare]
        attr_reader :share

        # @return [Hash] JSON-ready
        def to_h
          {
            title: @map.title,
            book: @map.book,
            composer: @map.composer,
            level: @map.level,
            figures: figures,
            meters: @map.meters.map(&:to_s),
            keys: @map.keys.map(&:name),
            tempo_words: @map.tempo.words,
            layout_assumed: @layout.assumed?,
            pages: pages,
            ribbon: ribbon,
            form: @form.labels.first(Constants::MOST_SHOWN),
            repeats: spanned(:repeats),
            endings: spanned(:endings),
            sections: @map.sections.map { |one| section(one) },
            joins: joins,
            diagnostics: diagnostics,
            preview: preview,
            spots: spots,
            assumed:
              @map.assumed.map do |what, bars|
                { what: Score::Assumed.said(what), bars: bars.map { |bar| @map.bar(bar).name } }
              end,
            unread:
              @map.unread.map do |what, bars|
                { what: Score::Unread.said(what), bars: bars.map { |bar| @map.bar(bar).name } }
              end,
            shape: @map.pages.map { |page| { page: page.number, lines: page.lines.join(" ") } },
            notes: @map.notes?,
            signs:
              Formats::PageScript::Clicks::SIGNS.map do |one|
                one.to_h.except(:sayings).merge(key: one.key.to_s)
              end,
            sayings: Formats::PageScript::Clicks::SAYINGS,
            next_section: Formats::PageScript::Clicks.new(@map).next_label
          }
        end

        private

        def figures
          {
            bars_printed: @reading.bars_printed,
            bars_played: @reading.bars_played,
            counts_played: Roadmap.number(@reading.counts_played),
            page_turns: @reading.page_turns,
            target_tempo: @map.target_tempo.round,
            seconds: @reading.seconds.round,
            new_bars: @share.new_bars.to_f.round(1),
            new_bars_rounded: @share.new_bars.round
          }
        end

        def pages
          @layout
            .lines
            .group_by(&:first)
            .map do |page, rows|
              {
                number: page,
                lines:
                  rows.map { |_, line, bars| { line: line, bars: bars.map { |bar| bar(bar) } } }
              }
            end
        end

        def bar(bar)
          index = bar.index
          {
            index: index,
            name: bar.name,
            said: @writer.position(index, nil),
            place: place(index),
            counts: Roadmap.number(bar.counts),
            opens: opening.include?(index),
            closes: closing[index],
            endings: endings(index),
            signs: signs(index),
            section: @sections[index]&.label,
            double: @map.double_bars.include?(index),
            relation: @share.relation(index).to_s,
            like: like(index),
            played: @played.fetch(index, 0),
            marks: marks.fetch(index, [])
          }
        end

        def place(index)
          address = @layout.address(index)
          (address && !@layout.assumed? && address.bar.positive?) ? address.to_s : nil
        end

        # Which earlier bar this one is like, in words; nil where it is new or
        # nothing is known of its notes.
        def like(index)
          relation = @share.likeness&.bars&.dig(index - 1, :together)
          return unless relation&.of

          of = Phrase["practice.wording.bar", bar: @map.bar(relation.of).name]
          case relation.name
          when :same
            Phrase["server.piece.page_json.the_same_as", of: of]
          when :rhythm
            Phrase["server.piece.page_json.the_rhythm_of", of: of]
          else
            Phrase["server.piece.page_json.moved", of: of, moved: moved(relation.by)]
          end
        end

        def moved(by)
          far, unit = by.is_a?(Hash) ? [by[:steps], "steps"] : [by, "semitones"]
          Phrase[
            far.negative? ? "server.piece.page_json.down" : "server.piece.page_json.up",
            far: Phrase["counts.#{unit}", count: far.abs]
          ]
        end

        # What else stands at a bar, in short words.
        def marks
          @marks ||=
            begin
              found = Hash.new { |all, bar| all[bar] = [] }
              marking = @map.markings
              marking.fermatas.each { |one| found[one.bar] << mark(:fermata) }
              marking.dynamics.each { |one| found[one.span.from] << one.words }
              # Pedal that goes on is said where it begins.
              begun =
                marking.pedal.reject { |span| marking.pedal.any? { |one| one.to == span.from - 1 } }
              {
                ritardando: marking.ritardandi,
                pedal: begun,
                ornament: marking.ornaments
              }.each { |name, spans| spans.each { |span| found[span.from] << mark(name) } }
              marking.octaves.each { |one| found[one.span.from] << (one.up ? "8va" : "8vb") }
              marking.starts.each do |one|
                found[one.bar] << Phrase[
                  one.guide ? "server.piece.page_json.guide" : "server.piece.page_json.on",
                  hand: Phrase["hands.short.#{one.hand}"],
                  finger: one.finger,
                  pitch: one.pitch.name
                ]
              end
              marking.harmony.each { |one| found[one.span.from] << one.words }
              marking.spots.each { |one| found[one.span.from] << mark(:spot) }
              marking.hard.each { |span| span.bars.each { |bar| found[bar] << mark(:hard) } }
              found
            end
        end

        def mark(name) = Phrase["server.piece.page_json.marks.#{name}"]

        # Repeats and endings with the statements that say them.
        def spanned(member)
          @map
            .public_send(member)
            .map { |one| { from: one.from, to: one.to, statement: @writer.statement(member, one) } }
        end

        # Bars with an opening sign that is printed and heeded.
        def opening = @opening ||= @map.repeats.map(&:from).to_set & @loops.map(&:from)

        # How often the repeat that turns back after a bar is played; nil for
        # other bars.
        def closing
          @closing ||=
            @loops.each_with_object({}) do |loop, found|
              (1...loop.times).each { |pass| found[loop.back_after(pass)] ||= loop.times }
            end
        end

        def endings(index)
          @map
            .endings
            .select { |one| one.span.cover?(index) }
            .map { |one| { passes: one.passes, first: one.from == index, last: one.to == index } }
        end

        MARKS = {
          segno: [:start, false],
          coda: [:start, false],
          to_coda: [:end, true],
          fine: [:end, false]
        }.freeze

        # Each with the statement that says it, so that it can be taken away.
        def signs(index)
          marks =
            MARKS
              .select { |key, _| @map.public_send(key).include?(index) }
              .map do |key, shown|
                [
                  Phrase["server.piece.page_json.signs.#{key}"],
                  *shown,
                  @writer.statement(key, index)
                ]
              end
          jumps =
            @map
              .jumps
              .select { |jump| jump.after == index }
              .map { |jump| [jump_words(jump), :end, true, @writer.statement(:jumps, jump)] }
          (marks + jumps).map do |words, side, leads, statement|
            { words: words, side: side.to_s, jump: leads, statement: statement }
          end
        end

        def jump_words(jump)
          said = [Phrase["server.piece.page_json.signs.#{jump.to}_jump"]]
          unless jump.until_sign == :end
            said << Phrase["server.piece.page_json.signs.al_#{jump.until_sign}"]
          end
          said << Phrase["server.piece.page_json.with_repeats"] if jump.repeats
          Phrase.list(said, by: :space)
        end

        def ribbon
          said = Roadmap::PassNotes.new(@map)
          guide = Roadmap::Guide.new(@map, @reading.visits)
          starts = @form.occurrences.map(&:at).to_set
          @reading
            .visits
            .first(Constants::MOST_SHOWN)
            .each_with_index
            .map do |visit, at|
              {
                bar: visit.bar,
                name: @map.bar(visit.bar).name,
                section: @sections[visit.bar]&.label,
                starts: starts.include?(at),
                time: visit.time,
                pass: visit.pass,
                via: visit.via.to_s,
                jump: guide.leap?(at),
                reached: guide.reached(at),
                ahead: guide.ahead(at),
                turn: at.positive? && @layout.turn?(@reading.visits[at - 1].bar, visit.bar),
                notes: said.of(visit)
              }
            end
        end

        def section(one)
          share = @share.mean(one.bars)
          {
            label: one.label,
            difficulty: one.difficulty,
            words: Formats::PageScript.words(@map, one),
            statement: @writer.statement(:sections, one),
            notes: section_notes(one),
            to_know: to_know(one),
            new_bars: (share * one.bars.size).to_f.round(1),
            bars: one.bars.size,
            spans:
              one.spans.map do |span|
                { from: span.from, to: span.to, names: names(span), text: @writer.span(span) }
              end
          }
        end

        # What a teacher may note of a section, with words that are often used.
        def to_know(one)
          Score::SectionNote::KINDS.map do |kind|
            text =
              @map
                .markings
                .section_notes
                .find { |note| [note.section, note.kind] == [one.label, kind] }
                &.text
            {
              kind: kind.to_s,
              title: Phrase["server.piece.page_json.kinds.#{kind}"],
              text: text.to_s,
              offers:
                (
                  if kind == :movement
                    Practice::Stage::CUES.map { |cue| Phrase["practice.cues.#{cue}"] }
                  else
                    []
                  end
                )
            }
          end
        end

        # Fingering and touch, the verses sung in it, and its hard bars.
        def section_notes(one)
          marking = @map.markings
          notes =
            marking
              .section_notes
              .select { |note| note.section == one.label }
              .map do |note|
                Phrase[
                  "server.piece.page_json.section_note",
                  kind: Phrase["server.piece.page_json.kinds.#{note.kind}"],
                  text: note.text
                ]
              end
          sung =
            marking
              .verses
              .select { |verse| one.spans.any? { |span| span.overlap?(verse.span) } }
              .map { |verse| Phrase["server.piece.page_json.verse", number: verse.number] }
          hard =
            marking
              .hard
              .select { |span| one.spans.any? { |place| place.overlap?(span) } }
              .map { |span| Phrase["server.piece.page_json.hard", span: @writer.span(span)] }
          notes + sung.uniq + hard
        end

        def names(span) =
          [[span.from, span.from_beat], [span.to, span.to_beat]].map do |bar, beat|
              [
                @map.bar(bar)&.name || "##{bar}",
                (Phrase["server.piece.page_json.beat", number: Roadmap.number(beat)] if beat)
              ].compact.join(" ")
            end
            .uniq
            .join("–")

        def joins
          facts = Sections::Joins.new(@map)
          @form.joins.map { |join| join(join, facts.facts(join)) }
        end

        def join(join, facts)
          said = @map.markings.joins.find { |one| [one.from, one.to] == [join.from, join.to] }&.text
          leaps =
            facts.moves.map do |hand|
              Phrase[
                "server.piece.page_json.hand_leaps_in_time",
                hand: Phrase["hands.#{hand}"],
                far: facts.leap[hand],
                counts: Roadmap.number(facts.time[hand])
              ]
            end
          rest =
            facts.rest_counts &&
              (
                if facts.rest_counts.zero?
                  Phrase["server.piece.page_json.no_rest"]
                else
                  Phrase[
                    "server.piece.page_json.counts_rest",
                    counts: Roadmap.number(facts.rest_counts)
                  ]
                end
              )
          {
            from: join.from,
            to: join.to,
            bar: join.from_bar,
            hard: facts.hard?,
            words:
              [
                said,
                rest,
                *leaps,
                (Phrase["server.piece.page_json.the_page_turns"] if facts.turn),
                (Phrase["server.piece.page_json.the_music_jumps"] if facts.jump)
              ].compact.then { |all| all.empty? ? "" : Phrase.list(all, by: :comma) }
          }
        end

        def preview =
          Sections
            .preview(@map, **@about, share: @share)
            .map do |one|
              {
                topic: one.topic,
                text: one.text,
                bars: one.bars,
                caution: one.caution,
                worked_out: one.worked_out,
                put: one.starts.map { |start| @writer.statement(:starts, start) }
              }
            end

        def spots
          return [] unless @map.notes?

          Sections::Spots
            .new(@map)
            .suggested
            .map do |one|
              {
                bar: one.span.from,
                words:
                  Phrase[
                    "server.piece.page_json.spot",
                    span: @writer.span(one.span),
                    hand: Phrase["hands.#{one.hand}"],
                    text: one.text
                  ],
                mark: @writer.statement(:spots, one),
                dismiss: @writer.statement(:dismissed, one)
              }
            end
        end

        def diagnostics
          (@reading.diagnostics + Sections::Check.call(@map)).map do |one|
            {
              code: one.code.to_s,
              bar: one.bar,
              message: one.message,
              grave: one.grave,
              mend:
                one.mend && { words: one.mend.words, **Formats::PageScript.mend(@map, one.mend) }
            }
          end
        end
      end
    end
  end
end
