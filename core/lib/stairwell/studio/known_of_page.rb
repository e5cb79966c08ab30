# frozen_string_literal: true

module Stairwell
  module Studio
    # What the studio knows of a page from all who learnt it: at which bars they stumbled and why,
    # and which sections they marked as hard. Bars that are not marked as hard yet are suggested.
    module KnownOfPage
      # A result that was *not yet* or *shaky* at a bar of the page.
      Stumble = Stairwell.value(:bar, :student_id, :cause)
      # A section of which a step was marked as hard.
      Hard = Stairwell.value(:section, :student_id)
      # What is known of a bar or a section: in words, of how many `students`, of so many in all;
      # `mend` {Marking} where it can be marked as hard.
      Known = Stairwell.value(:bar, :section, :words, :students, :of, :mend)
      # Statements of the page script that mark it, in words.
      Marking = Stairwell.value(:words, :put, drop: [].freeze)

      module_function

      # @param map [Score::Map]
      # @param stumbles [Array<Stumble>]
      # @param hard [Array<Hard>]
      # @param learners [Integer] students of whom a step of the piece was heard or practised
      # @return [Array<Known>] the most telling first, then in the order of the page
      def of(map, stumbles:, hard:, learners:)
        bars =
          stumbles
            .select { |one| one.bar.between?(1, map.bars.size) }
            .group_by(&:bar)
            .map { |bar, all| bar(map, bar, all, learners) }
        labels = map.sections.map(&:label)
        sections =
          hard
            .select { |one| labels.include?(one.section) }
            .group_by(&:section)
            .map { |label, all| section(label, all, learners) }
        (bars + sections)
          .select { |one| telling?(one) }
          .sort_by { |one| [-one.students, one.bar || Float::INFINITY, one.section.to_s] }
      end

      # What is chosen with it for the next student who learns the page.
      # @param known [Array<Known>]
      # @return [Hash{String => Array}] choices: bars to drill, sections that take longer
      def beforehand(known) =
        {
          "known_bars" => known.filter_map(&:bar).first(Constants::MOST_KNOWN_SPOTS),
          "known_hard" => known.filter_map(&:section)
        }.reject { |_, all| all.empty? }

      # @param map [Score::Map]
      # @param choices [Hash{String => Object}] as {beforehand} gives
      # @return [Score::Map] with the spots that it has not yet, and those sections a level more
      #   difficult
      def on(map, choices)
        bars, labels = choices.values_at("known_bars", "known_hard").map(&:to_a)
        spots = map.markings.spots + map.markings.dismissed
        free =
          bars.select { |bar| bar <= map.bars.size && spots.none? { |spot| spot.span.cover?(bar) } }
        return map if free.empty? && labels.empty?

        more =
          free.map do |bar|
            Score::Spot.new(
              span: Score::Span.new(from: bar, to: bar),
              hand: nil,
              text: Phrase["studio.known_of_page.others_stumbled"]
            )
          end
        sections =
          map.sections.map do |one|
            if labels.include?(one.label)
              one.with(difficulty: [one.difficulty + 1, Constants::MOST_DIFFICULT].min)
            else
              one
            end
          end
        map.with(markings: map.markings.with(spots: map.markings.spots + more), sections: sections)
      end

      # @param map [Score::Map]
      # @param choices [Hash{String => Object}]
      # @return [Array<Phrase>] what is set beforehand
      def words(map, choices)
        bars, labels = choices.values_at("known_bars", "known_hard").map(&:to_a)
        names = bars.map { |bar| map.bar(bar).name }
        [
          (
            if names.any?
              Phrase[
                "studio.known_of_page.spots_beforehand",
                bars: Phrase.list(names),
                count: names.size
              ]
            end
          ),
          (
            if labels.any?
              Phrase[
                "studio.known_of_page.days_beforehand",
                sections: Phrase.list(labels),
                count: labels.size
              ]
            end
          )
        ].compact
      end

      def bar(map, index, all, learners)
        students = all.map(&:student_id).uniq.size
        name = map.bar(index).name
        causes =
          all
            .filter_map(&:cause)
            .tally
            .sort_by { |cause, count| [-count, cause] }
            .map { |cause, _| Phrase["studio.known_of_page.causes.#{cause}"] }
        words =
          Phrase[
            causes.any? ? "studio.known_of_page.stumbled_for" : "studio.known_of_page.stumbled",
            bar: name,
            count: students,
            of: learners,
            causes: Phrase.list(causes, by: :comma)
          ]
        Known.new(
          bar: index,
          section: nil,
          words: words,
          students: students,
          of: learners,
          mend: mend(map, index, name)
        )
      end

      def mend(map, index, name)
        return if map.markings.hard.any? { |span| span.cover?(index) }

        Marking.new(
          words: Phrase["studio.known_of_page.mark_as_hard", bar: name],
          put: ["hard: #{name}"]
        )
      end

      def section(label, all, learners)
        students = all.map(&:student_id).uniq.size
        Known.new(
          bar: nil,
          section: label,
          words:
            Phrase[
              "studio.known_of_page.found_hard",
              section: label,
              count: students,
              of: learners
            ],
          students: students,
          of: learners,
          mend: nil
        )
      end

      # One student's bad day says nothing of the page.
      def telling?(one) =
        one.students >= Constants::TELLING_STUDENTS &&
          one.students >= Constants::TELLING_SHARE.fetch(one.bar ? :bar : :section) * one.of
      private_class_method :bar, :mend, :section, :telling?
    end
  end
end
