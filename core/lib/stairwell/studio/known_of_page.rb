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
        bars = stumbles.select { |one| one.bar.between?(1, map.bars.size) }.group_by(&:bar).map { |bar, all| bar(map, bar, all, learners) }
        labels = map.sections.map(&:label)
        sections = hard.select { |one| labels.include?(one.section) }.group_by(&:section).map { |label, all| section(label, all, learners) }
        (bars + sections).select { |one| telling?(one) }.sort_by { |one| [-one.students, one.bar || Float::INFINITY, one.section.to_s] }
      end

      def bar(map, index, all, learners)
        students = all.map(&:student_id).uniq.size
        name = map.bar(index).name
        causes = all.filter_map(&:cause).tally.sort_by { |cause, count| [-count, cause] }.map { |cause, _| Phrase["studio.known_of_page.causes.#{cause}"] }
        words = Phrase[causes.any? ? "studio.known_of_page.stumbled_for" : "studio.known_of_page.stumbled", bar: name, count: students, of: learners, causes: Phrase.list(causes, by: :comma)]
        Known.new(bar: index, section: nil, words: words, students: students, of: learners, mend: mend(map, index, name))
      end

      def mend(map, index, name)
        return if map.markings.hard.any? { |span| span.cover?(index) }

        Marking.new(words: Phrase["studio.known_of_page.mark_as_hard", bar: name], put: ["hard: #{name}"])
      end

      def section(label, all, learners)
        students = all.map(&:student_id).uniq.size
        Known.new(bar: nil, section: label, words: Phrase["studio.known_of_page.found_hard", section: label, count: students, of: learners], students: students, of: learners, mend: nil)
      end

      # One student's bad day says nothing of the page.
      def telling?(one) = one.students >= Constants::TELLING_STUDENTS && one.students >= Constants::TELLING_SHARE.fetch(one.bar ? :bar : :section) * one.of
      private_class_method :bar, :mend, :section, :telling?
    end
  end
end
