# frozen_string_literal: true

module Stairwell
  module Rows
    # Sections that were introduced and aren't steady yet: all their stages are the path.
    class NewSections < Work
      KIND = :new

      attr_reader :labels

      # @param labels [Array<String>]
      def initialize(piece, days, labels)
        super(piece, days)
        @labels = labels
        @last = {}
      end

      def id = "#{super}/#{labels.join("+")}"

      def holds?(step) = labels.include?(step.section) && piece.path(step.section).include?(step)

      # Every right hand, then every left hand: the stages one after another, each on all sections.
      def parts(day)
        found = labels.flat_map { |label| of_section(label, day) }
        order = found.map { |part| part.step.stage }.uniq
        found.sort_by.with_index { |part, at| [order.index(part.step.stage), at] }
      end

      private

      def of_section(label, day)
        rungs = rungs(label)
        return sitting(label, rungs) if rungs && !finished?(rungs)

        steps =
          first_stages(
            ahead.open(piece.path(label).reject { |step| later_rung?(step, rungs) }, day)
          )
        if steps.any?
          @last[label] = steps.last
          times(steps)
        else
          last = @last[label] || reached(label)
          last ? [piece.part(last, Constants::FEWER_TIMES)] : []
        end
      end

      # The last stage it came to in weeks before.
      def reached(label) =
        piece.path(label).reverse.find { |step| ahead.played_before?(step.id, 1) }

      # Not more stages at once than one can keep in mind; one more where they share days.
      def first_stages(steps) =
        steps.first(Constants::STAGES_AT_ONCE + (piece.deadline&.same_day ? 1 : 0))

      # Stages of one sitting, those that aren't done when the week begins.
      def rungs(label)
        @rungs ||= {}
        @rungs[label] ||= begin
          open = piece.path(label).select { |step| step.sitting && !ahead.done?(step.id) }
          all = open.group_by(&:sitting).values.first.to_a
          all.select { |step| piece.standing(step).introduced }
        end
      end

      def later_rung?(step, rungs) = rungs.to_a.include?(step)

      def finished?(rungs) = rungs.empty?

      # They leave in order as they go well, so that the last day has the last one alone.
      def sitting(label, rungs)
        left = rungs.drop(ahead.days_of(rungs.first.sitting) * leaving(rungs))
        left = [rungs.last] if left.empty?
        @last[label] = left.last
        times = (left.size > Constants::STAGES_AT_ONCE) ? 1 : Constants::STAGES_AT_ONCE
        times = Constants::FEWER_TIMES if left.size == 1
        left.map { |step| piece.part(step, times) }
      end

      # How many leave from one day to the next.
      def leaving(rungs) = ((rungs.size - 1) / [@days - 1, 1].max.to_r).ceil
    end
  end
end
