# frozen_string_literal: true

module Stairwell
  module Rows
    # What a row is called on the chart.
    module Titles
      module_function

      # @param work [Work]
      # @param parts [Array<Part>] all it holds in the week
      # @return [Phrase::Text, String]
      def of(work, parts = [])
        case work.kind
        when :new
          Phrase.list(work.labels)
        when :hard_place
          place(work.steps.first)
        when :other_work
          place(work.step)
        when :grow
          grown(parts)
        when :whole
          whole(parts)
        else
          Phrase.list(parts.map { |part| part.step.section }.uniq)
        end
      end

      # @param step [Practice::Step]
      # @param kind [Symbol] of its row
      # @return [Phrase::Text, String, nil] its stage as it stands in a cell; nil where the row says
      #   it all, as of a hard place, or its tempo does, as of the whole
      def stage(step, kind = nil)
        return(Phrase["rows.hands.#{step.hands}"] unless step.hands == :both) if kind == :hard_place
        if step.section.nil? && step.parts.size > 1 && !step.id.start_with?("whole.")
          return between(step)
        end
        return if step.section.nil? && step.aspect == :tempo
        return Practice.stage_name(step) unless plain?(step)

        Phrase["rows.hands.#{step.hands}"]
      end

      # A join by the sections it joins, and by its hand where it's one; a joined span by its first
      # and its last.
      # @param step [Practice::Step]
      # @return [Phrase::Text]
      def between(step)
        said =
          Phrase["rows.#{step.join ? "into" : "to"}", from: step.parts.first, to: step.parts.last]
        if step.hands == :both
          said
        else
          Phrase.list([Phrase["rows.hands.#{step.hands}"], said], by: :comma)
        end
      end

      # Whether it's the notes that are played, by whichever hand.
      def plain?(step) =
        step.section && step.aspect == :notes && step.tempo && !step.sitting &&
          (step.actions.values - %i[play silent]).empty? && !Practice::Simplification.form?(step.id)

      # @param step [Practice::Step]
      # @return [Phrase::Text, String] where it is, without its stage
      def place(step) = step.title.is_a?(Phrase::List) ? step.title.items.first : step.title

      def grown(parts)
        runs, joined = parts.partition(&:in_a_run?)
        return Phrase.capital(runs.last.title) if joined.empty?

        labels = joined.map { |part| part.step.parts }.uniq
        if labels.one?
          return Phrase["rows.straight_into", from: labels.first.first, to: labels.first.last]
        end

        # In the order of the page.
        Phrase["rows.joining", sections: Phrase.list(joined.first.piece.printed & labels.flatten)]
      end

      def whole(parts)
        sections = parts.map { |part| part.step.section }.uniq
        sections.include?(nil) ? Phrase.capital(Phrase["rows.the_whole"]) : Phrase.list(sections)
      end
      private_class_method :plain?, :grown, :whole
    end
  end
end
