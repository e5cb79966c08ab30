# frozen_string_literal: true

module Stairwell
  module Score
    # The studio's words: bars or measures, quarter notes or crotchets. Everything
    # is written with bars and quarter notes and said in the studio's words last.
    module Terms
      BAR = {"bars" => "measures", "bar" => "measure", "Bars" => "Measures", "Bar" => "Measure"}.freeze
      VALUES = {
        "whole note" => "semibreve", "half note" => "minim", "quarter note" => "crotchet", "eighth note" => "quaver", "sixteenth note" => "semiquaver",
        "thirty-second note" => "demisemiquaver"
      }.freeze
      # By what a studio says: a bar with quarter notes, the American and the
      # British words.
      STYLES = {mixed: {}, american: BAR, british: VALUES}.freeze

      module_function

      # @param text [String] written by us
      # @param style [Symbol] of {STYLES}
      # @param names [Array<String, nil>] in it, of people and pieces: they stay as
      #   they are
      # @return [String]
      def say(text, style, names: [])
        words = STYLES.fetch(style)
        return text if words.empty?

        kept = Regexp.union(names.compact.reject(&:empty?).sort_by { |name| -name.size })
        text.gsub(/(?<![[:alnum:]])(?:#{kept})(?![[:alnum:]])|\b(?:#{words.keys.sort_by { |word| -word.size }.join("|")})(?=s?\b)/) { |found| words.fetch(found, found) }
      end
    end
  end
end
