# frozen_string_literal: true

module Stairwell
  module Formats
    module MusicXML
      # Segno, coda, Fine and the instructions to jump, out of what programs
      # write for them: attributes of sound, the signs themselves, or only words.
      class Jumps
        # Attributes of sound that this reads.
        SOUNDS = %w[segno coda tocoda fine dacapo dalsegno].freeze
        SIGNS = %w[segno coda].freeze
        # A coda sign: `early` where it stands before the notes of its bar.
        Coda = Stairwell.value(:bar, :early)
        private_constant :SOUNDS, :SIGNS, :Coda

        # @return [Hash{Symbol => Object}] members of Score::Map
        attr_reader :found
        # @return [Array<Integer>] bars with a sign or a jump in their middle, which is taken at
        #   their beginning or end
        attr_reader :inside

        # @param measures [Array<Array<Nokogiri::XML::Element>>] by bar, those of all parts
        #   together: what one of them says holds for the whole
        # @param beside [BesideNotes]
        def initialize(measures, beside = BesideNotes.new)
          @found = { segno: [], coda: [], to_coda: [], fine: [] }
          @codas = []
          @jumps = []
          @inside = []
          # Names of signs by kind and bar, as sounds give them.
          @named = Hash.new { |all, kind| all[kind] = {} }
          measures.each_with_index do |elements, at|
            elements.each do |element|
              beside.of(element, "direction", "sound").each { |node| read(node, at + 1) }
              # A sign on a bar line stands where the next bar begins, unless
              # the line is the left one.
              beside.of(element, "barline").each { |line| on_line(line, at + 1, measures.size) }
            end
          end
          leave
          @found.transform_values! { |bars| bars.uniq.sort }
          @found[:leaves] = leaves
          @found[:jumps] = @jumps
            .group_by { |jump, _| jump.after }
            .sort
            .map { |_, all| settled(all) }
        end

        private

        def read(node, bar)
          said = said(node, bar)
          text = words(node)
          means = PhraseBook.of(text)
          to = target(said, means)
          @inside |= [bar] if inside?(node) &&
            (said.any? || (means - %i[al_fine to_the_end repeats]).any?)
          return jump(to, means, text, bar) if to

          @found[:segno] << bar if said.include?("segno") || means.include?(:sign)
          @found[:fine] << bar if said.include?("fine") || means.include?(:fine)
          return @found[:to_coda] << bar if said.include?("tocoda") || means.include?(:to_coda)

          if said.include?("coda") || means.include?(:coda) || text.include?("{coda}")
            @codas << Coda.new(bar: bar, early: early?(node))
          end
        end

        def said(node, bar)
          sound = (node.name == "sound") ? node : node.at_xpath("sound")
          SOUNDS
            .select { |name| sound&.key?(name) && sound[name] != "no" }
            .each { |name| @named[name][bar] = sound[name] }
        end

        # The words with the signs between them, in their order.
        def words(node)
          said =
            node
              .xpath("direction-type/*")
              .filter_map do |one|
                (one.name == "words") ? one.text : ("{#{one.name}}" if SIGNS.include?(one.name))
              end
          PhraseBook.plain(said.join(" "))
        end

        # Notes before it and behind it, in the voice it stands with.
        def inside?(node)
          return false if early?(node)

          behind = node.xpath("following-sibling::*").take_while { |one| one.name != "backup" }
          before =
            node.xpath("preceding-sibling::*").reverse.take_while { |one| one.name != "backup" }
          [behind, before].all? { |all| all.any? { |one| one.name == "note" } }
        end

        def early?(node) =
          node.at_xpath("preceding-sibling::note | preceding-sibling::forward").nil?

        def on_line(line, bar, last)
          bar += 1 unless line["location"] == "left"
          return if bar > last

          @found[:segno] << bar if line.key?("segno") || line.at_xpath("segno")
          @codas << Coda.new(bar: bar, early: true) if line.key?("coda") || line.at_xpath("coda")
        end

        def target(said, means)
          return :capo if said.include?("dacapo") || means.include?(:capo)

          :segno if said.include?("dalsegno") || means.include?(:segno)
        end

        def jump(to, means, text, bar)
          until_sign =
            if means.include?(:to_coda) || text.match?(/coda/)
              :coda
            else
              means.include?(:al_fine) ? :fine : :end
            end
          @jumps << [
            Score::Jump.new(
              after: bar,
              to: to,
              until_sign: until_sign,
              repeats: means.include?(:repeats)
            ),
            means
          ]
        end

        # Where nothing says To Coda, the first of several coda signs does: before the notes of its
        # bar it leaves before that bar. "To the Fine, then the Coda" leaves at the Fine.
        def leave
          codas = @codas.uniq(&:bar).sort_by(&:bar)
          if @found[:to_coda].empty? && @jumps.any?
            if codas.size > 1 && (first = codas.first).then { |one| one.bar > 1 || !one.early }
              @found[:to_coda] << (first.early ? first.bar - 1 : first.bar)
              codas = codas.drop(1)
            elsif codas.any? &&
                  @jumps.any? do |_, means|
                    means.include?(:to_coda) && (means & %i[al_fine to_the_end]).any?
                  end
              @found[:to_coda], @found[:fine] = @found[:fine], []
            end
          end
          @found[:coda] += codas.map(&:bar)
        end

        # Of several segni the one whose name a jump has.
        def meant(jump)
          name = @named["dalsegno"][jump.after]
          bar =
            @named["segno"].find { |at, other| other == name && @found[:segno].include?(at) }&.first
          bar unless bar == @found[:segno].select { |one| one <= jump.after }.max
        end

        # Where there are several codas with names, To Coda means the one of its own.
        def leaves
          codas = @named["coda"].slice(*@found[:coda])
          return [] unless codas.size > 1

          @named["tocoda"].filter_map do |bar, name|
            if @found[:to_coda].include?(bar)
              codas.key(name)&.then { |to| Score::Leave.new(after: bar, to: to) }
            end
          end
        end

        # Of what several parts, or words and sound, say at one place, what says most. A jump that
        # is given by its sound alone, or by bare words, goes on to the coda where the page says how
        # to leave for it; "to the end" is to the Fine where there is one.
        def settled(said)
          jump, means =
            said.max_by { |one, _| [(one.until_sign == :end) ? 0 : 1, one.repeats ? 1 : 0] }
          jump = jump.with(sign: meant(jump)) if jump.to == :segno
          return jump unless jump.until_sign == :end
          return jump.with(until_sign: :fine) if means.include?(:to_the_end) && @found[:fine].any?

          if @found[:fine].empty? && @found[:to_coda].any? && @found[:coda].any?
            jump.with(until_sign: :coda)
          else
            jump
          end
        end
      end
    end
  end
end
