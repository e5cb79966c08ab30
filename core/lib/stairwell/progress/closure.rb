# frozen_string_literal: true

module Stairwell
  module Progress
    # What was heard steady counts for everything it contains: bars within its bars, hands among its
    # hands, a tempo not above what was heard, and nothing asked for that wasn't heard; and for the
    # way to it, all that had to be done before it on the same section.
    class Closure
      # What playing the notes shows by itself. Whatever else a step is about was heard only in a
      # step about the same.
      HEARD_WITH_THE_NOTES = %i[overview position rhythm notes fingering tempo].freeze
      # The stage that is played along with a recording.
      TRACK = :track
      private_constant :HEARD_WITH_THE_NOTES, :TRACK

      # @param steps [Array<Practice::Step>]
      def initialize(steps)
        @steps = steps.to_h { |step| [step.id, step] }
        @contained = {}
      end

      # @param result [LessonResult]
      # @return [Array<String>] ids of other steps that it counts for; none where it didn't go
      def of(result)
        return [] unless %i[steady secure].include?(result.result)

        heard = @steps[result.step_id] or return []
        within(heard, result.tempo || heard.tempo) | way_to(heard)
      end

      # @param id [String] of a step
      # @return [Array<String>] ids of all that a result of it may count for, at whatever tempo
      def reach(id)
        step = @steps[id] or return []

        within(step, Float::INFINITY) | way_to(step)
      end

      # @param results [Array<LessonResult>]
      # @return [Hash{String => Array<LessonResult>}] what they say of the steps they contain, by
      #   step: steady, never more
      def results(results)
        results
          .group_by { |result| [result.step_id, result.date] }
          .each_value
          .map { |of_day| of_day.max_by(&:at) }
          .each_with_object(Hash.new { |all, id| all[id] = [] }) do |result, found|
            of(result).each do |id|
              found[id] << result.with(step_id: id, result: :steady, contained: true)
            end
          end
      end

      private

      def within(heard, tempo)
        @contained[[heard.id, tempo]] ||= @steps
          .each_value
          .select { |step| step.id != heard.id && contained?(step, heard, tempo) }
          .map(&:id)
      end

      # @return [Array<String>] ids of what had to be done before it on the same section; the other
      # hand, which only comes before it, isn't
      def way_to(step)
        @ways ||= {}
        @ways[step.id] ||= (step.needs + (step.sitting ? step.after : []))
          .filter_map { |id| @steps[id] }
          .select { |before| step.section && before.section == step.section }
          .flat_map { |before| [before.id, *way_to(before)] }
          .uniq
      end

      def contained?(step, heard, tempo)
        (HEARD_WITH_THE_NOTES.include?(step.aspect) || step.aspect == heard.aspect) &&
          (step.stage != TRACK || heard.stage == TRACK) &&
          (step.tempo.nil? || (tempo && step.tempo <= tempo)) &&
          (Practice.playing(step) - Practice.playing(heard)).empty? &&
          step.spans.all? { |span| heard.spans.any? { |outer| inside?(span, outer) } }
      end

      def inside?(span, outer) =
        outer.hold?(span) && !begins_before?(span, outer) && !ends_after?(span, outer)

      def begins_before?(span, outer) =
        span.from == outer.from && outer.from_beat &&
          (span.from_beat.nil? || span.from_beat < outer.from_beat)

      def ends_after?(span, outer) =
        span.to == outer.to && outer.to_beat && (span.to_beat.nil? || span.to_beat > outer.to_beat)
    end
  end
end
