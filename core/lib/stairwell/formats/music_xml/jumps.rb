# frozen_string_literal: true

module Stairwell
  module Formats
    module MusicXML
      # Segno, coda, Fine and the instructions to jump, out of what programs
      # write for them: attributes of sound, the signs themselves, or only words.
      class Jumps
        # Words as printed; dots and blanks vary.
        CAPO = /\bd\s*\.?\s*c\b\.?|\bda\s+capo\b/i
        SEGNO = /\bd\s*\.?\s*s\b\.?|\bdal\s+segno\b/i
        TO_CODA = /\b(to|al)\s+(the\s+)?coda\b/i
        FINE = /\bfine\b/i
        REPEATS = /\b(with|con)\s+(repeats?|rep\b|ripetizion)/i
        # Attributes of sound that this reads.
        SOUNDS = %w[segno coda tocoda fine dacapo dalsegno].freeze

        # @return [Hash{Symbol => Object}] members of Score::Map
        attr_reader :found

        # @param measures [Array<Array<Nokogiri::XML::Element>>] by bar, the hands'
        #   measures together
        def initialize(measures)
          @found = {segno: [], coda: [], to_coda: [], fine: [], jumps: []}
          measures.each_with_index do |elements, at|
            elements.each do |element|
              element.xpath("direction | sound").each { |node| read(node, at + 1) }
              # A sign on a bar line stands where the next bar begins, unless
              # the line is the left one.
              element.xpath("barline").each { |line| on_line(line, at + 1, measures.size) }
            end
          end
          @found.transform_values!(&:uniq)
          settle
        end

        # @param words [String]
        # @return [Boolean] whether the words are used here
        def self.words?(words) = [CAPO, SEGNO, TO_CODA, FINE].any? { |pattern| words.match?(pattern) }

        private

        def read(node, bar)
          sound = (node.name == "sound") ? node : node.at_xpath("sound")
          said = SOUNDS.select { |name| sound&.key?(name) && sound[name] != "no" }
          words = node.xpath("direction-type/words").map(&:text).join(" ")
          to = target(said, words)
          return jump(to, words, bar) if to

          marks(node, said, words).each { |mark| @found[mark] << bar }
        end

        def on_line(line, bar, last)
          bar += 1 unless line["location"] == "left"
          %w[segno coda].each { |name| @found[name.to_sym] << bar if bar <= last && (line.key?(name) || line.at_xpath(name)) }
        end

        def target(said, words)
          return :capo if said.include?("dacapo") || words.match?(CAPO)

          :segno if said.include?("dalsegno") || words.match?(SEGNO)
        end

        # A direction often says the same thing twice; To Coda is often written
        # with the coda's sign beside the words.
        def marks(node, said, words)
          leaves = said.include?("tocoda") || words.match?(TO_CODA)
          signs = %w[segno coda].select { |name| said.include?(name) || node.at_xpath("direction-type/#{name}") }.map(&:to_sym)
          signs.delete(:coda) if leaves
          signs << :to_coda if leaves
          signs << :fine if said.include?("fine") || words.match?(FINE)
          signs
        end

        def jump(to, words, bar)
          until_sign = {fine: /al\s+fine/i, coda: /coda/i}.find { |_, pattern| words.match?(pattern) }&.first || :end
          @found[:jumps] << Score::Jump.new(after: bar, to: to, until_sign: until_sign, repeats: words.match?(REPEATS))
        end

        # A jump that is given by its sound alone, or by bare words, goes on to
        # the coda where the page says how to leave for it.
        def settle
          return unless @found[:to_coda].any? && @found[:coda].any?

          @found[:jumps].map! { |one| (one.until_sign == :end && @found[:fine].empty?) ? one.with(until_sign: :coda) : one }
        end
      end
    end
  end
end
