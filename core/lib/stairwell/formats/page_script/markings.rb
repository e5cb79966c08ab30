# frozen_string_literal: true

module Stairwell
  module Formats
    module PageScript
      # The statements about what a page says beside its signs. Each reads its
      # head (what stands before the colon, behind the keyword) and its value,
      # and gives what to add to which member of Score::Markings.
      module Markings
        EXAMPLES = {
          "fermata" => "fermata: 30 beat 2 for 2",
          "ritardando" => "ritardando: 29-30",
          "pass" => "pass 2: 9-13 left hand, softer",
          "start" => "start right: finger 3 on B4",
          "hands" => "hands: right only 1-4",
          "dynamics" => "dynamics: 1 mf, 9 p",
          "pedal" => "pedal: 14-20",
          "ornament" => "ornament: 20 beat 3",
          "lyrics" => "lyrics 1: 1-8",
          "new" => "new: dotted quarter notes",
          "spot" => "spot: 12 beat 3 - 13 beat 1 left hand, jump down",
          "no spot" => "no spot: 12 beat 3 left hand",
          "hard" => "hard: 20-22",
          "join" => "join A1 to B: no rest, right hand jumps",
          "fingering" => "fingering A: thumb under on F",
          "articulation" => "articulation A: short and light",
          "movement" => "movement A: drop the arm on the first note",
          "octave" => "octave: 9-12 right hand, up",
          "guide" => "guide right at 9: finger 3 on E4",
          "harmony" => "harmony: 1-2 I, 3 V7, 4 I",
          "pattern" => "pattern: 1-8 left hand, broken chords",
          "part" => "part 1: 1-16",
          "track" => "track: 7"
        }.freeze

        # A degree with what is written behind it: I, V7, ii°, V/V.
        DEGREE =
          %r{[b#♭♯]?(?:VII|VI|IV|V|III|II|I|vii|vi|iv|v|iii|ii|i)[°ø+]?(?:[24679]|6/4|4/3|6/5)?(?:/[#b]?[IViv]{1,3})?(?![[:alnum:]])}

        module_function

        # @param keyword [String]
        # @param head [Scan]
        # @param scan [Scan]
        # @param places [Places]
        # @return [Array(Symbol, Array)] the member and what to add to it
        def read(keyword, head, scan, places)
          public_send(keyword.tr(" ", "_"), head, scan, places).tap { head.finish! }
        end

        def fermata(_, scan, places)
          bar, beat = places.position!(scan)
          scan.take!(/for\b/i, Phrase["formats.page_script.markings.for_and_the_written_counts_as"])
          counts = scan.counts!
          held = scan.counts! if scan.take(/held\b/i)
          [:fermatas, [Score::Fermata.new(bar: bar, beat: beat || 1r, counts: counts, held: held)]]
        end

        def ritardando(_, scan, places) = [:ritardandi, [places.span!(scan)]]

        def pass(head, scan, places)
          note = { passes: Values.passes(head), span: places.span!(scan), hand: hand(scan) }
          scan.take(/,/)
          [
            :pass_notes,
            [
              Score::PassNote.new(
                **note,
                text: text!(scan, Phrase["formats.page_script.markings.what_holds_on_that_pass"])
              )
            ]
          ]
        end

        def start(head, scan, places) = [:starts, [placed(head, scan, places)]]

        def guide(head, scan, places) = [:starts, [placed(head, scan, places).with(guide: true)]]

        def placed(head, scan, places)
          hand = head.take!(/(right|left)\b/i, "“right” or “left”").downcase.to_sym
          bar, beat = head.take(/at\b/i) ? places.position!(head) : [1, nil]
          scan.take!(/finger\b/i, "“finger”")
          finger = scan.number!(Phrase["formats.page_script.markings.a_finger"], 1..5)
          scan.take!(/on\b/i, Phrase["formats.page_script.markings.on_and_a_key_such_as"])
          pitch =
            Score::Pitch.parse(
              scan.take!(
                /[A-G](bb|b|##|#|)\d/,
                Phrase["formats.page_script.markings.a_key_such_as_b"]
              )
            )
          Score::Start.new(hand: hand, finger: finger, pitch: pitch, bar: bar, beat: beat || 1r)
        end

        def hands(_, scan, places)
          said =
            scan.take!(
              /(#{Score::Hands::USES.values.join("|").gsub(" ", "\\s+")})/i,
              Phrase["formats.page_script.markings.right_only_left_only_alternating_or"]
            )
          use = Score::Hands::USES.key(said.downcase.squeeze(" "))
          [:hands, [Score::Hands.new(use: use, span: scan.done? ? nil : places.span!(scan))]]
        end

        def dynamics(_, scan, places)
          [
            :dynamics,
            list(scan) do
              Score::Dynamic.new(
                span: places.span!(scan),
                words: scan.phrase!(Phrase["formats.page_script.markings.how_loud_such_as_mf"])
              )
            end
          ]
        end

        def pedal(_, scan, places) = [:pedal, places.spans!(scan)]

        def ornament(_, scan, places)
          [
            :ornaments,
            list(scan) do
              places
                .position!(scan)
                .then do |bar, beat|
                  Score::Span.new(from: bar, to: bar, from_beat: beat, to_beat: beat)
                end
            end
          ]
        end

        def lyrics(head, scan, places)
          number =
            head.done? ? 1 : head.number!(Phrase["formats.page_script.markings.a_verse"], 1..20)
          [:verses, places.spans!(scan).map { |span| Score::Verse.new(number: number, span: span) }]
        end

        def new(_, scan, _places) =
          [:introduces, [text!(scan, Phrase["formats.page_script.markings.what_is_new"])]]

        def spot(_, scan, places) = [:spots, [named_spot(scan, places)]]

        def no_spot(_, scan, places) = [:dismissed, [named_spot(scan, places)]]

        def named_spot(scan, places)
          spot = { span: places.span!(scan), hand: hand(scan) }
          scan.take(/,/)
          text = scan.text
          Score::Spot.new(**spot, text: text.empty? ? nil : text)
        end

        def hard(_, scan, places) = [:hard, places.spans!(scan)]

        def join(head, scan, _places)
          from = head.take!(LABEL, Phrase["formats.page_script.markings.the_label_of_a_section"])
          head.take!(/to\b/i, Phrase["formats.page_script.markings.to_as_in_join_a_to"])
          [
            :joins,
            [
              Score::Join.new(
                from: from,
                to:
                  head.take!(LABEL, Phrase["formats.page_script.markings.the_label_of_a_section"]),
                text: text!(scan, Phrase["formats.page_script.markings.what_to_know_of_the_join"])
              )
            ]
          ]
        end

        def fingering(head, scan, _places) = section_note(:fingering, head, scan)

        def articulation(head, scan, _places) = section_note(:articulation, head, scan)

        def movement(head, scan, _places) = section_note(:movement, head, scan)

        def section_note(kind, head, scan)
          section = head.take!(LABEL, Phrase["formats.page_script.markings.the_label_of_a_section"])
          [
            :section_notes,
            [
              Score::SectionNote.new(
                section: section,
                kind: kind,
                text: text!(scan, Phrase["formats.page_script.markings.what_to_know_of_it"])
              )
            ]
          ]
        end

        def octave(_, scan, places)
          octave = { span: places.span!(scan), hand: hand(scan) }
          scan.take(/,/)
          [
            :octaves,
            [Score::Octave.new(**octave, up: scan.take(/(up|down)\b/i)&.downcase != "down")]
          ]
        end

        def harmony(_, scan, places)
          [
            :harmony,
            list(scan) do
              Score::Told.new(
                span: places.span!(scan),
                words: scan.take!(DEGREE, Phrase["formats.page_script.markings.a_degree_such_as"])
              )
            end
          ]
        end

        def pattern(_, scan, places)
          told = { span: places.span!(scan), hand: hand(scan) }
          scan.take(/,/)
          [
            :patterns,
            [
              Score::Told.new(
                **told,
                words: text!(scan, Phrase["formats.page_script.markings.a_pattern_such_as"])
              )
            ]
          ]
        end

        def part(head, scan, places)
          label = head.take!(LABEL, Phrase["formats.page_script.markings.the_label_of_a_part"])
          [:parts, places.spans!(scan).map { |span| Score::Told.new(span: span, words: label) }]
        end

        def track(_, scan, _places) =
          [:track, scan.number!(Phrase["formats.page_script.markings.a_track_number"], 1..9999)]

        def hand(scan) = scan.take(/(left|right)\s+hand\b/i)&.[](/\w+/)&.downcase&.to_sym

        def text!(scan, expected)
          text = scan.text
          if text.empty?
            scan.stumble(Phrase["formats.page_script.markings.expected", expected: expected])
          else
            text
          end
        end

        def list(scan)
          found = [yield]
          found << yield while scan.take(/,/)
          found
        end

        # @param markings [Score::Markings]
        # @param write [Writer] for places
        # @return [Array<String>] statements that read back the same
        def lines(markings, write)
          [
            markings.fermatas.map do |one|
              "fermata: #{write.position(one.bar, (one.beat unless one.beat == 1))} for #{write.number(one.counts)}#{" held #{write.number(one.held)}" if one.held}"
            end,
            markings.ritardandi.map { |one| "ritardando: #{write.span(one)}" },
            markings.pass_notes.map do |one|
              "pass #{one.passes.join(", ")}: #{write.span(one.span)}#{" #{one.hand} hand" if one.hand}, #{Text.write(one.text)}"
            end,
            markings.starts.map do |one|
              "#{one.guide ? "guide" : "start"} #{one.hand}#{" at #{write.position(one.bar, (one.beat unless one.beat == 1))}" unless [one.bar, one.beat] == [1, 1]}: finger #{one.finger} on #{one.pitch}"
            end,
            markings.hands.map do |one|
              [
                "hands: #{Score::Hands::USES.fetch(one.use)}",
                (write.span(one.span) if one.span)
              ].compact.join(" ")
            end,
            listed(
              "dynamics",
              markings.dynamics.map do |one|
                "#{write.span(one.span)} #{Text.write(one.words, list: true)}"
              end
            ),
            listed("pedal", markings.pedal.map { |one| write.span(one) }),
            listed("ornament", markings.ornaments.map { |one| write.span(one) }),
            markings.verses.map { |one| "lyrics #{one.number}: #{write.span(one.span)}" },
            markings.introduces.map { |one| "new: #{Text.write(one)}" },
            { "spot" => markings.spots, "no spot" => markings.dismissed }.flat_map do |keyword, all|
              all.map do |one|
                "#{keyword}: #{write.span(one.span)}#{" #{one.hand} hand" if one.hand}#{", #{Text.write(one.text)}" if one.text}"
              end
            end,
            listed("hard", markings.hard.map { |one| write.span(one) }),
            markings.octaves.map do |one|
              "octave: #{write.span(one.span)}#{" #{one.hand} hand" if one.hand}, #{one.up ? "up" : "down"}"
            end,
            markings.section_notes.map do |one|
              "#{one.kind} #{one.section}: #{Text.write(one.text)}"
            end,
            markings.joins.map { |one| "join #{one.from} to #{one.to}: #{Text.write(one.text)}" },
            listed(
              "harmony",
              markings.harmony.map { |one| "#{write.span(one.span)} #{one.words}" }
            ),
            markings.patterns.map do |one|
              "pattern: #{write.span(one.span)}#{" #{one.hand} hand" if one.hand}, #{Text.write(one.words)}"
            end,
            markings
              .parts
              .group_by(&:words)
              .map do |label, all|
                "part #{label}: #{all.map { |one| write.span(one.span) }.join(", ")}"
              end,
            markings.tempos.map { |one| write.tempo_change(one) },
            ("track: #{markings.track}" if markings.track)
          ].flatten.compact
        end

        def listed(keyword, values) = ("#{keyword}: #{values.join(", ")}" if values.any?)
      end
    end
  end
end
