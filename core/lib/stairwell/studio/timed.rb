# frozen_string_literal: true

module Stairwell
  module Studio
    # Says what a student takes for a repetition, as far as it was learnt from the taps.
    module Timed
      module_function

      # @param record [Record]
      # @return [Array<Phrase>]
      def words(record)
        timing = record.timing
        [*timing.told.map { |kind, times| takes(record.student.name, kind, times) }, at_once(*timing.at_once)].compact
      end

      def takes(name, kind, times) = Phrase["studio.timed.takes", name: name, times: Phrase.number(times.round(1)), kind: Phrase["studio.timed.kinds.#{kind}"]]

      def at_once(days, of) = (Phrase["studio.timed.at_once", count: days, of: of] if days >= Constants::AT_ONCE_TOLD)
      private_class_method :takes, :at_once
    end
  end
end
