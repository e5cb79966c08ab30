# frozen_string_literal: true

module Stairwell
  module Score
    # What tempo words mean in beats a minute. Tables differ, so both are given:
    # the scale inscribed on mechanical metronomes, and the wider ranges of newer
    # handbooks and electronic ones (both from memory).
    module TempoWords
      MECHANICAL = {
        "largo" => (40..60), "larghetto" => (60..66), "adagio" => (66..76), "andante" => (76..108), "moderato" => (108..120),
        "allegro" => (120..168), "presto" => (168..200), "prestissimo" => (200..208)
      }.freeze
      NEWER = {
        "grave" => (25..45), "largo" => (40..60), "lento" => (45..60), "larghetto" => (60..66), "adagio" => (55..76), "adagietto" => (65..80), "andante" => (56..108),
        "andantino" => (80..108), "moderato" => (98..120), "allegretto" => (100..128), "allegro" => (109..168), "vivace" => (140..176), "presto" => (168..200),
        "prestissimo" => (200..240)
      }.freeze
      # The longest first, so that "larghetto" is not read as "largo".
      WORDS = (MECHANICAL.keys | NEWER.keys).sort_by { |word| -word.size }.freeze

      module_function

      # @param text [String, nil] as printed, such as "Andante con moto"
      # @return [Phrase, nil] the range in words, with whose it is; nil where no
      #   word is known
      def said(text)
        word = WORDS.find { |one| text.to_s.downcase.match?(/\b#{one}\b/) } || return
        old, new = MECHANICAL[word], NEWER[word]
        return Phrase["score.tempo_words.both", word: word.capitalize, old: range(old), new: range(new)] if old && new && old != new

        Phrase[old ? "score.tempo_words.mechanical" : "score.tempo_words.newer", word: word.capitalize, range: range(old || new)]
      end

      # @param text [String]
      # @return [Boolean] whether it holds a tempo word
      def known?(text) = WORDS.any? { |one| text.downcase.match?(/\b#{one}\b/) }

      def range(one) = "#{one.min}–#{one.max}"
      private_class_method :range
    end
  end
end
