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
        alike =
          timing
            .told
            .group_by { |_, times| times.round(1) }
            .transform_values { |all| all.map { |kind, _| Phrase["studio.timed.kinds.#{kind}"] } }
        [
          *alike.map { |times, kinds| takes(record.student.name, kinds, times) },
          at_once(*timing.at_once)
        ].compact
      end

      def takes(name, kinds, times) =
        Phrase[
          "studio.timed.takes",
          name: name,
          times: Phrase.number(times),
          kinds: Phrase.list(kinds)
        ]

      def at_once(days, of) =
        (Phrase["studio.timed.at_once", count: days, of: of] if days >= Constants::AT_ONCE_TOLD)
      private_class_method :takes, :at_once
    end
  end
end
