# frozen_string_literal: true

module Stairwell
  module Formats
    module MusicXML
      # Finds which staves are the hands: a part with two staves, or two parts with one each, one
      # beneath the other. Other parts (a voice above, a tablature) lend only their words.
      class Hands
        # A part of the score: `tab` is a tablature or has no pitches, `clefs` by staff.
        Part = Stairwell.value(:id, :name, :staves, :clefs, :tab, :sung)
        # Where a hand is written, as a person names it: a part, and a staff of it from 1.
        PLACE = /\A(?<id>.+?)(?:\.(?<staff>\d))?\z/
        KEYBOARD =
          /piano|pno\b|klavier|clavier|keyboard|organ|orgel|orgue|cembalo|clavecin|harpsichord|celesta|harmonium|accord|akkord|\bhand|\bmain\b|\bmano|\b[rl]\.?\s?h\b|\bm\.?\s?[dgs]\b/i
        LEFT = /left|links|gauche|sinistra|\bl\.?\s?h\b|\bm\.?\s?[gs]\b/i
        private_constant :PLACE, :KEYBOARD, :LEFT

        # @return [Array<Array<Nokogiri::XML::Element>>] for each hand part its
        #   measures
        attr_reader :parts
        # @return [Hash{String => Array<Nokogiri::XML::Element>}] by name the
        #   measures of parts that are no hand; they lend their words
        attr_reader :others
        # @return [Array<Array<Nokogiri::XML::Element>>] the measures of every part
        attr_reader :all
        # @return [Array<String>] what was assumed, see {Score::Assumed}
        attr_reader :assumed

        # @param parts [Hash{String => Array<Nokogiri::XML::Element>}] measures
        #   by part id
        # @param names [Hash{String => String}]
        # @param said [Hash{Symbol => String}] places of :right and :left as a person says them,
        #   such as "P1.2" or "P2"
        # @raise [UnreadableError] when there is no such part
        def initialize(parts, names, said = {})
          @all = parts.values
          @assumed = []
          @words = parts.values.flatten(1).first&.document&.at_xpath("//lyric")
          @known = parts.map { |id, measures| part(id, names[id].to_s, measures) }
          @places = said.any? ? said.transform_values { |text| place(text) } : chosen
          ids = @places.values.map(&:first).uniq
          @parts = parts.values_at(*ids)
          @order = ids
          @others =
            (parts.keys - ids).to_h { |id| [(names[id].to_s.empty? ? id : names[id]), parts[id]] }
        end

        # @param part [Integer] which hand part
        # @param staff [Integer] 1 the upper
        # @return [Symbol, nil] :right or :left; nil for a staff beside that of a hand
        def hand(part, staff)
          own = @places.select { |_, (id, _)| id == @order[part] }
          return own.keys.first if own.values == [[@order[part], nil]]

          own.find { |_, (_, at)| at == [staff, 1].max }&.first
        end

        # @return [Array<Hash{Symbol => Object}>] every staff that can be a hand: its place, name,
        #   and what it was taken for
        def staves
          @known
            .reject(&:tab)
            .flat_map do |one|
              (1..one.staves).map do |staff|
                {
                  place: (one.staves == 1) ? one.id : "#{one.id}.#{staff}",
                  name: one.name,
                  staff: (staff if one.staves > 1),
                  hand: @places.key([one.id, (staff if one.staves > 1)])
                }
              end
            end
        end

        private

        def part(id, name, measures)
          clefs =
            measures
              .first(1)
              .flat_map { |one| one.xpath("attributes/clef").to_a }
              .to_h { |clef| [(clef["number"] || 1).to_i, clef.at_xpath("sign")&.text] }
          Part.new(
            id: id,
            name: name,
            staves:
              (
                if measures.any? { |one|
                     one.at_xpath("attributes/staves[. > 1] | note/staff[. > 1]")
                   }
                  2
                else
                  1
                end
              ),
            clefs: clefs,
            tab:
              clefs.value?("TAB") || clefs.value?("percussion") ||
                (measures.any? && measures.none? { |one| one.at_xpath("note/pitch | note/rest") }),
            sung: !@words.nil? && measures.any? { |one| one.at_xpath("note/lyric") }
          )
        end

        def place(text)
          found = text.match(PLACE)
          known =
            @known.find { |one| one.id == text } || @known.find { |one| one.id == found&.[](:id) }
          unless known
            raise UnreadableError.new(
                    Phrase[
                      "formats.music_xml.hands.no_such_part",
                      place: text[0, 40],
                      parts: Phrase.list(@known.map(&:id), by: :comma)
                    ],
                    code: :no_such_part
                  )
          end

          [known.id, ((known.id == text || known.staves == 1) ? nil : found[:staff].to_i)]
        end

        # @return [Hash{Symbol => Array(String, Integer)}] part and staff by hand
        def chosen
          two = @known.select { |one| one.staves > 1 && !one.tab }
          return staves_of(two) if two.any?

          single = @known.reject(&:tab)
          single = @known if single.empty?
          return {} if single.empty?

          above, below = pair(single)
          return one_staff(single) unless below

          above, below = below, above if above.name.match?(LEFT)
          tell(right: above, left: below)
          { right: [above.id, nil], left: [below.id, nil] }
        end

        def staves_of(two)
          piano = two.reverse.find { |one| one.name.match?(KEYBOARD) } || two.last
          @assumed << "hands: #{named(piano)}" if two.size > 1
          { right: [piano.id, 1], left: [piano.id, 2] }
        end

        # Two that follow each other: called so, or a bass clef beneath a treble clef, the lowest
        # such pair; a sung part is no hand where another will do.
        def pair(single)
          pairs = single.each_cons(2).to_a.reverse
          pairs.find { |both| both.all? { |one| one.name.match?(KEYBOARD) } } ||
            pairs.find do |above, below|
              below.clefs[1] == "F" && above.clefs[1] != "F" && !below.sung && !above.sung
            end || pairs.find { |both| both.none?(&:sung) && both.all? { |one| one.clefs.empty? } }
        end

        # One staff may hold both hands: what it holds is the right hand's until the page says more.
        def one_staff(single)
          only =
            single.reverse.find { |one| one.name.match?(KEYBOARD) } ||
              single.reverse.find { |one| !one.sung } || single.last
          @assumed << "one_staff: #{named(only)}"
          { right: [only.id, nil] }
        end

        def tell(hands) = hands.each { |hand, part| @assumed << "#{hand}_hand: #{named(part)}" }

        def named(part) = part.name.empty? ? part.id : part.name
      end
    end
  end
end
