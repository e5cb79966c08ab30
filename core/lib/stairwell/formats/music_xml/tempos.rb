# frozen_string_literal: true

module Stairwell
  module Formats
    module MusicXML
      # Tempo words and metronome marks, each from its bar on. The tempo of the piece is that of its
      # first bar, or of the first full one behind a pickup.
      class Tempos
        # Note values by MusicXML name, in whole notes.
        UNITS = {
          "breve" => 2r,
          "whole" => 1r,
          "half" => 1 / 2r,
          "quarter" => 1 / 4r,
          "eighth" => 1 / 8r,
          "16th" => 1 / 16r,
          "32nd" => 1 / 32r
        }.freeze
        # Back to the tempo of the beginning.
        PRIMO = /\btempo\s+(primo|i\b|1)/i

        # @return [Score::Tempo]
        attr_reader :tempo
        # @return [Array<Score::TempoChange>] behind the first bar
        attr_reader :changes

        # @param measures [Array<Array<Nokogiri::XML::Element>>] by bar, those of all parts
        # @param pickup [Boolean] whether the first bar is one
        # @param beside [BesideNotes]
        def initialize(measures, beside = BesideNotes.new, pickup: false)
          @beside = beside
          said = measures.each_with_index.flat_map { |elements, at| said(elements, at + 1) }
          first, later = said.partition { |one| one.bar <= (pickup ? 2 : 1) }
          opening = first.find(&:mark) || first.first
          words = (first.find(&:words) || opening)&.words
          @tempo =
            Score::Tempo.new(words: words, mark: opening&.mark, mark_unit: opening&.mark_unit)
          @changes =
            later
              .group_by(&:bar)
              .map { |_, all| all.max_by { |one| [one.mark ? 1 : 0, one.words ? 1 : 0] } }
              .map { |one| primo(one) }
        end

        private

        # @return [Array<Score::TempoChange>]
        def said(elements, bar)
          elements.flat_map do |element|
            @beside.of(element, "direction", "sound").filter_map { |node| change(node, bar) }
          end
        end

        def change(node, bar)
          mark, unit = marked(node) || sounded(node)
          words = words(node, mark)
          if mark || words
            Score::TempoChange.new(bar: bar, words: words, mark: mark, mark_unit: unit)
          end
        end

        # What stands beside a mark is the word for it; words alone are where they are known as
        # such.
        def words(node, mark)
          text =
            node
              .xpath("direction-type/words")
              .map { |one| one.text.strip }
              .reject(&:empty?)
              .join(" ")
          text unless text.empty? || !(mark || Score::TempoWords.known?(text) || text.match?(PRIMO))
        end

        def primo(change)
          return change unless change.mark.nil? && @tempo.mark && change.words&.match?(PRIMO)

          change.with(mark: @tempo.mark, mark_unit: @tempo.mark_unit)
        end

        def marked(node)
          metronome = node.at_xpath("direction-type/metronome")
          unit = UNITS[metronome&.at_xpath("beat-unit")&.text]
          mark = metronome&.at_xpath("per-minute")&.text.to_s[/\d{1,4}/]&.to_i
          return unless unit && mark&.positive?

          [mark, metronome.at_xpath("beat-unit-dot") ? unit * 3 / 2 : unit]
        end

        # The specification counts sound tempo in quarter notes a minute.
        def sounded(node)
          sound = (node.name == "sound") ? node : node.at_xpath("sound[@tempo]")
          mark = sound&.[]("tempo").to_f.clamp(0.0, 1_000.0).round
          [mark, 1 / 4r] if mark.positive?
        end
      end
    end
  end
end
