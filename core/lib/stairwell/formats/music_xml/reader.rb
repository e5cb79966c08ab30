# frozen_string_literal: true

module Stairwell
  module Formats
    module MusicXML
      # Makes a map of a score.
      class Reader
        # @param document [Nokogiri::XML::Document]
        # @param hands [Hash{Symbol => String}] places of the hands as a person says them
        def initialize(document, hands: {})
          @root = document.root
          kind = @root&.name
          unless %w[score-partwise score-timewise].include?(kind)
            raise UnreadableError.new(
                    Phrase["formats.music_xml.reader.this_is_not_a_musicxml_score", kind: kind],
                    code: :not_a_score
                  )
          end
          @unread = Unread.new
          @beside = BesideNotes.new
          whole = parts(kind)
          apart = InnerLines.apart(whole)
          # What was parted does not stand in the document as it is.
          @plain = PlainNotes.new(document) if apart.equal?(whole)
          @hands = Hands.new(apart, names, hands)
          @count = @hands.parts.map(&:size).max.to_i
          check_size
        end

        # @return [Array<Hash{Symbol => Object}>] see {Hands#staves}
        def staves = @hands.staves

        # @return [Score::Map]
        def map
          read_measures
          slowed Score::Map.new(
                   title: title,
                   composer:
                     @root.at_xpath("identification/creator[@type='composer']")&.text&.strip,
                   bars: bars,
                   pages: pages,
                   keys: keys.map { |key| modes[key.bar]&.key || key },
                   tempo: tempo,
                   repeats: signs.repeats,
                   endings: signs.endings,
                   double_bars: signs.double_bars,
                   notes: notes,
                   phrasing: marks.phrasing,
                   clefs: marks.clefs,
                   markings: markings,
                   unread: unread,
                   assumed: assumed,
                   **jumps.found
                 )
        end

        private

        IMPLIED = ".//sound[@forward-repeat='yes']"
        private_constant :IMPLIED

        # What nothing printed ends slows to the end of its section.
        def slowed(map)
          return map if marks.open.empty?

          cuts = Sections::Cuts.of(map).bars
          spans =
            map.markings.ritardandi.map do |span|
              if marks.open.include?(span.from)
                span.with(to: (cuts.find { |bar| bar > span.from } || (map.bars.size + 1)) - 1)
              else
                span
              end
            end
          map.with(markings: map.markings.with(ritardandi: spans))
        end

        def parts(kind)
          if kind == "score-partwise"
            return @root.xpath("part").to_h { |part| [part["id"], part.xpath("measure").to_a] }
          end

          # Timewise holds the parts inside each measure: the attributes stand
          # on the measure, the music in its parts.
          @root
            .xpath("measure")
            .each_with_object(Hash.new { |all, id| all[id] = [] }) do |measure, found|
              measure
                .xpath("part")
                .each do |part|
                  measure.attribute_nodes.each do |one|
                    part[one.name] = one.value unless one.name == "id"
                  end
                  found[part["id"]] << part
                end
            end
        end

        def names
          @root
            .xpath("part-list/score-part")
            .to_h { |part| [part["id"], part.at_xpath("part-name")&.text.to_s.strip] }
        end

        def check_size
          if @count.zero?
            raise UnreadableError.new(
                    Phrase["formats.music_xml.reader.the_score_has_no_bars"],
                    code: :empty
                  )
          end
          return if @count <= Constants::MOST_BARS

          raise UnreadableError.new(
                  Phrase[
                    "formats.music_xml.reader.the_score_has_bars_stairwell_reads",
                    count: @count,
                    most: Constants::MOST_BARS
                  ],
                  code: :too_many_bars
                )
        end

        def read_measures
          @measures =
            @hands.parts.map do |elements|
              measures(elements).tap do
                elements.each_with_index do |element, at|
                  @unread.look(element, at + 1) if more?(element)
                end
              end
            end
          @voices = @hands.others.values.map { |elements| measures(elements) }
        end

        # Whether a measure holds more than notes without marks: in most there is nothing to look
        # for.
        def more?(element) =
          @plain.nil? || @plain.of(element).any?(&:nil?) || @beside.of(element, *MORE).any?

        MORE = %w[direction attributes harmony figured-bass sound].freeze
        private_constant :MORE

        def measures(elements)
          carried = Carried.new
          elements.map do |element|
            Measure.new(element, carried, @plain ? @plain.of(element) : [], @beside)
          end
        end

        def marks =
          @marks ||=
            Marks.new(
              bars,
              @measures,
              @voices,
              @hands.method(:hand),
              ends: (signs.double_bars + tempos.changes.map { |one| one.bar - 1 }).uniq
            )

        # Where the first note of a hand shows its finger, that is where it starts.
        def markings
          starts =
            Sections::Likeness::HANDS.filter_map do |hand|
              bar, all =
                notes.transform_values { |hands| hands[hand] }.find { |_, found| found.any? }
              first = all.to_a.min_by { |note| [note.onset, note.finger ? 0 : 1, note.pitch.midi] }
              next unless first&.finger

              Score::Start.new(
                hand: hand,
                finger: first.finger,
                pitch: first.pitch,
                bar: bar,
                beat: 1 + first.onset / bars[bar - 1].meter.count_length
              )
            end
          marks.markings.with(starts: starts, tempos: tempos.changes)
        end

        def jumps = @jumps ||= Jumps.new((0...@count).map { |at| everywhere(at) }, @beside)

        # The hands' measures.
        def elements(at) = @hands.parts.filter_map { |part| part[at] }

        # Those of all parts, in the order of the score: many programs write what holds for the
        # whole only once, above the uppermost part.
        def everywhere(at) = @hands.all.filter_map { |part| part[at] }

        def bars
          @bars ||=
            begin
              meter = Score::Meter.free
              (0...@count).map do |at|
                read = @measures.filter_map { |part| part[at] }
                change = read.filter_map(&:meter).first
                meter = change.with(bar: at + 1) if change && change.to_s != meter.to_s
                length = read.map(&:length).max
                if length > Constants::LONGEST_BAR
                  raise UnreadableError.new(
                          Phrase[
                            "formats.music_xml.reader.bar_is_longer_than_whole_notes",
                            bar: at + 1,
                            most: Constants::LONGEST_BAR
                          ],
                          code: :cut_off
                        )
                end

                Score::Bar.new(
                  index: at + 1,
                  number: number(elements(at).first, at),
                  meter: meter,
                  length: length.positive? ? length : meter.bar_length
                )
              end
            end
        end

        def number(element, at)
          implicit = element["implicit"] == "yes"
          return 0 if at.zero? && implicit
          return if implicit

          element["number"].to_s[/\A\d{1,6}\z/]&.to_i
        end

        def keys
          change = nil
          (0...@count).filter_map do |at|
            key = @measures.filter_map { |part| part[at]&.key }.first
            next if key.nil? || (change && [key.fifths, key.mode] == [change.fifths, change.mode])

            change = key.with(bar: at + 1)
          end
        end

        # @return [Hash{Integer => Aspects::Tonality::Found}] by bar, where the notes are of the
        #   other mode than is said
        def modes
          @modes ||=
            [*keys, nil].each_cons(2)
              .to_h do |key, following|
                held =
                  notes.select do |bar, _|
                    bar >= key.bar && (following.nil? || bar < following.bar)
                  end
                [key.bar, Aspects::Tonality.new(held).other(key)]
              end
              .compact
        end

        # Pages and lines by the breaks the score gives; none when it gives none.
        def pages
          breaks =
            (0...@count).map { |at| everywhere(at).flat_map { |one| @beside.of(one, "print") } }
          unless breaks
                   .drop(1)
                   .flatten
                   .any? { |print| print["new-system"] == "yes" || print["new-page"] == "yes" }
            return []
          end

          number = breaks.first.filter_map { |print| page_number(print) }.first || 1
          found = [Score::Page.new(number: number, lines: [0])]
          return [] if bars.none? { |bar| bar.number&.positive? }

          bars
            .zip(breaks)
            .each_with_index do |(bar, prints), at|
              turn(found, prints) if at.positive?
              found.last.lines[-1] += 1 if bar.number&.positive?
            end
          found
        end

        # @return [Integer, nil]
        def page_number(print) =
          print["page-number"].to_s[/\A\d{1,4}\z/]&.to_i&.then do |number|
            number if number.positive?
          end

        def turn(found, prints)
          if prints.any? { |print| print["new-page"] == "yes" }
            number =
              prints.filter_map { |print| page_number(print) }.first || (found.last.number + 1)
            found << Score::Page.new(number: number, lines: [0])
          elsif prints.any? { |print| print["new-system"] == "yes" }
            found.last.lines << 0
          end
        end

        def signs
          @signs ||=
            begin
              lines =
                (0...@count).map do |at|
                  everywhere(at).flat_map { |one| @beside.of(one, "barline") }
                end
              implied =
                (
                  if @root.at_xpath(IMPLIED)
                    (0...@count).select { |at| everywhere(at).any? { |one| one.at_xpath(IMPLIED) } }
                  else
                    []
                  end
                )
              Signs.new(lines, implied.to_set { |at| at + 1 })
            end
        end

        def tempo = tempos.tempo

        def tempos =
          @tempos ||=
            Tempos.new(
              (0...@count).map { |at| everywhere(at) },
              @beside,
              pickup: bars.first.pickup?
            )

        def notes = @notes ||= reach.call

        def reach = @reach ||= written.then { |found| WithinReach.new(found, visited) }

        # Bars in which a voice visits the other staff.
        def visited = @visited ||= Set.new

        def written
          (0...@count).each_with_object({}) do |at, found|
            hands = { right: [], left: [] }
            @measures.each_with_index do |part, which|
              part[at] && sort(at + 1, part[at], which, hands)
            end
            found[at + 1] = hands unless hands.values.all?(&:empty?)
          end
        end

        def crossings =
          @crossings ||=
            @measures.map { |part| (@hands.parts.size == 1) ? Crossing.new(part) : nil }

        def sort(bar, measure, which, hands)
          crossing = crossings[which]
          placed =
            (
              if crossing
                crossing.hands(measure)
              else
                measure.sounds.map { |sound| [sound.staff, sound.note] }
              end
            )
          if crossing &&
               placed.zip(measure.sounds).any? { |(staff, _), sound| staff != sound.staff }
            visited << bar
          end
          placed.each { |staff, note| hands[@hands.hand(which, staff)]&.push(note) }
        end

        def title = Heading.of(@root) || Phrase["score.untitled"].to_s

        # What a person should know was not said.
        def assumed
          [
            *@hands.assumed.map { |one| [one, []] },
            *modes.map { |bar, found| ["mode_#{found.why.first}: #{found.key}", [bar]] },
            (["no_title", []] unless Heading.of(@root)),
            (["repeat_not_closed", signs.unclosed] if signs.unclosed.any?),
            (["sign_inside", jumps.inside] if jumps.inside.any?),
            (["voice_on_both_staves", []] if crossings.compact.any?(&:split?)),
            (["shared_by_reach", reach.bars] if reach.bars.any?)
          ].compact
        end

        def unread
          @hands.others.each_key { |name| @unread.add("the notes of “#{name}”") }
          @unread.to_a
        end
      end
    end
  end
end
