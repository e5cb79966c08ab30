# frozen_string_literal: true

module Stairwell
  module Score
    # What tempo words mean in beats a minute. Tables differ, so both are given: the scale inscribed
    # on mechanical metronomes, and the wider ranges of newer handbooks and electronic ones (both
    # from memory). Words of other languages mean what the Italian word does that dictionaries of
    # musical terms give for them (from memory).
    module TempoWords
      MECHANICAL = {
        "largo" => (40..60),
        "larghetto" => (60..66),
        "adagio" => (66..76),
        "andante" => (76..108),
        "moderato" => (108..120),
        "allegro" => (120..168),
        "presto" => (168..200),
        "prestissimo" => (200..208)
      }.freeze
      NEWER = {
        "grave" => (25..45),
        "largo" => (40..60),
        "lento" => (45..60),
        "larghetto" => (60..66),
        "adagio" => (55..76),
        "adagietto" => (65..80),
        "andante" => (56..108),
        "andantino" => (80..108),
        "moderato" => (98..120),
        "allegretto" => (100..128),
        "allegro" => (109..168),
        "vivace" => (140..176),
        "vivacissimo" => (172..176),
        "presto" => (168..200),
        "prestissimo" => (200..240)
      }.freeze
      # German, French and English words by the Italian one they stand for.
      OTHERS = {
        "schwer" => "grave",
        "breit" => "largo",
        "langsam" => "lento",
        "ruhig" => "adagio",
        "getragen" => "adagio",
        "gehend" => "andante",
        "schreitend" => "andante",
        "mäßig" => "moderato",
        "mässig" => "moderato",
        "bewegt" => "allegretto",
        "munter" => "allegretto",
        "rasch" => "allegro",
        "fröhlich" => "allegro",
        "lebhaft" => "vivace",
        "schnell" => "presto",
        "eilig" => "presto",
        "lourd" => "grave",
        "lent" => "lento",
        "lentement" => "lento",
        "tranquille" => "adagio",
        "allant" => "andante",
        "modéré" => "moderato",
        "modere" => "moderato",
        "animé" => "allegro",
        "gaiement" => "allegro",
        "vif" => "vivace",
        "vivement" => "vivace",
        "vite" => "presto",
        "rapide" => "presto",
        "broadly" => "largo",
        "slow" => "lento",
        "slowly" => "lento",
        "calmly" => "adagio",
        "gently" => "andante",
        "walking" => "andante",
        "flowing" => "andantino",
        "moderate" => "moderato",
        "moderately" => "moderato",
        "lively" => "vivace",
        "cheerfully" => "allegro",
        "brightly" => "allegro",
        "brisk" => "allegro",
        "briskly" => "allegro",
        "fast" => "presto",
        "quickly" => "presto",
        "quick" => "presto"
      }.freeze
      # What is said besides: toward the middle, away from it, faster, slower (common practice, no
      # source).
      TOWARD =
        /\b(?:non\s+(?:troppo|tanto)|(?:ma\s+)?poco|un\s+poco|nicht\s+zu|pas\s+trop|un\s+peu|not\s+too|etwas|rather|quasi)\b/i
      AWAY = /\b(?:assai|molto|sehr|très|tres|very|di\s+molto)\b/i
      FASTER = /\b(?:con\s+moto|mosso|con\s+brio|con\s+fuoco)\b/i
      SLOWER = /\b(?:maestoso|sostenuto|tranquillo|cantabile|grazioso)\b/i
      # Tempos beneath which words are slow ones, and by how much a mark may leave the range of its
      # words. Own choice.
      MIDDLE, CONTRADICTS = 108, 1.15
      # The longest first, so that "larghetto" is not read as "largo".
      ITALIAN = (MECHANICAL.keys | NEWER.keys).freeze
      WORDS = (ITALIAN | OTHERS.keys).sort_by { |word| -word.size }.freeze
      PATTERN =
        /(?<![[:alpha:]])(?:#{WORDS.map { |word| Regexp.escape(word) }.join("|")})(?![[:alpha:]])/i
      # What was understood: the word as printed, the Italian one it stands for, which part of its
      # range is meant (:slower, :faster or nil), and the range of either table.
      Found = Stairwell.value(:word, :italian, :part, :mechanical, :newer)

      module_function

      # @param text [String, nil] as printed, such as "Allegro moderato"
      # @return [Found, nil] nil where no word is known
      def read(text)
        words = text.to_s.scan(PATTERN)
        return if words.empty?

        # The first word is the tempo, another one shades it.
        italian = canonical(words.first)
        part = part(text.to_s, italian, words[1] && canonical(words[1]))
        Found.new(
          word: words.first,
          italian: italian,
          part: part,
          mechanical: narrowed(MECHANICAL[italian], part),
          newer: narrowed(NEWER[italian], part)
        )
      end

      # @param text [String, nil]
      # @return [Phrase, nil] the range in words, with whose it is; nil where no word is known
      def said(text)
        found = read(text) or return
        word = named(found, text)
        old, new = found.mechanical, found.newer
        if old && new && old != new
          return Phrase["score.tempo_words.both", word: word, old: range(old), new: range(new)]
        end

        Phrase[
          old ? "score.tempo_words.mechanical" : "score.tempo_words.newer",
          word: word,
          range: range(old || new)
        ]
      end

      # @param text [String, nil]
      # @param mark [Numeric, nil] beats per minute
      # @return [Phrase, nil] where a mark contradicts its words
      def contradiction(text, mark)
        found = read(text) or return
        # A mark within either table contradicts nothing.
        low, high =
          [found.mechanical, found.newer].compact.flat_map { |one| [one.min, one.max] }.minmax
        return if mark.nil? || mark.between?(low / CONTRADICTS, high * CONTRADICTS)

        Phrase[
          (mark < low) ? "score.tempo_words.mark_is_slower" : "score.tempo_words.mark_is_faster",
          mark: mark.round,
          word: text.to_s.strip
        ]
      end

      # @param text [String]
      # @return [Boolean] whether it holds a tempo word
      def known?(text) = text.match?(PATTERN)

      def canonical(word) = word.downcase.then { |one| OTHERS.fetch(one, one) }

      def part(text, italian, other)
        here = middle(italian)
        return (middle(other) < here) ? :slower : :faster if other && other != italian
        return :faster if text.match?(FASTER)
        return :slower if text.match?(SLOWER)
        return (here < MIDDLE) ? :faster : :slower if text.match?(TOWARD)

        ((here < MIDDLE) ? :slower : :faster) if text.match?(AWAY)
      end

      def middle(italian) =
        (MECHANICAL[italian] || NEWER[italian]).then { |range| (range.min + range.max) / 2 }

      # The half of a range that is meant.
      def narrowed(range, part)
        return range unless range && part

        half = (range.min + range.max) / 2
        (part == :slower) ? (range.min..half) : (half..range.max)
      end

      def named(found, text)
        word = text.to_s.strip[0, 40]
        same = found.word.casecmp?(found.italian)
        said =
          (
            if same
              word
            else
              Phrase["score.tempo_words.as", word: word, italian: found.italian.capitalize]
            end
          )
        found.part ? Phrase["score.tempo_words.#{found.part}", word: said] : said
      end

      def range(one) = "#{one.min}–#{one.max}"
      private_class_method :canonical, :part, :middle, :narrowed, :named, :range
    end
  end
end
