# frozen_string_literal: true

module Stairwell
  module Server
    module Services
      # Which cautions apply on some days of a week.
      class Cautious
        # @param days [Array<Hash>] as stored
        # @yieldparam given [Models::Assignments::Given]
        # @yieldreturn [Score::Map]
        def initialize(student, days, given, &map)
          @student = student
          @days = days
          @given = given
          @map = map
        end

        # @return [Array<Stairwell::Cautions::Caution>]
        def of
          Stairwell::Cautions.of(
            minutes: @days.map { |day| day["minutes"] }.max || 0, child: @student[:introduce_first], pedal: steps.any? { |_, step| step.aspect == :pedal },
            stretch: stretch?, listening: scored.any?
          )
        end

        private

        def steps
          @steps ||= @days.flat_map { |day| day["items"] }.uniq { |item| item.values_at("assignment_id", "step_id") }.filter_map do |item|
            given = @given.find { |one| one.id == item["assignment_id"] }
            standing = given&.progress&.standings&.fetch(item["step_id"], nil)
            standing && [given, standing.step]
          end
        end

        def scored = steps.map(&:first).uniq(&:id).map { |given| [given, @map.call(given)] }.select { |_, map| map.notes? }

        def stretch?
          scored.any? do |given, map|
            of = steps.select { |one, _| one.id == given.id }.map(&:last)
            %i[right left].any? do |hand|
              bars = of.select { |step| [hand, :both].include?(step.hands) }.flat_map { |step| step.spans.flat_map(&:bars) }
              widest = Sections.widest(map, hand, bars)
              widest && Stairwell::Cautions.wide?(widest.semitones, @student[:hand_span])
            end
          end
        end
      end
    end
  end
end
