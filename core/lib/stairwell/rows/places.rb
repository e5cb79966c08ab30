# frozen_string_literal: true

module Stairwell
  module Rows
    # The steps of a piece by the kind of row they belong to. They follow from the page and the
    # routine alone, whatever was heard.
    class Places
      # @param step [Practice::Step]
      # @return [String] the key of its place, the same for all that is done there
      def self.of(step) = step.id[/\A[^.]+/]

      # @param step [Practice::Step]
      # @return [Boolean] whether it puts sections together, short of the whole
      def self.bridge?(step) = step.section.nil? && (step.join || step.id.match?(/\A[^.@]+\+/))

      # @param steps [Array<Practice::Step>]
      def initialize(steps)
        @steps = steps
      end

      # @return [Array<String>] labels of sections in the order of the page
      def printed =
        @printed ||=
          @steps
            .select(&:section)
            .group_by(&:section)
            .sort_by { |_, of_section| of_section.flat_map(&:spans).map(&:from).min }
            .map(&:first)

      # @param label [String]
      # @return [Array<Practice::Step>] what is done on a section, in the order of the routine
      def path(label) = paths.fetch(label, [])

      # @param label [String]
      # @return [Array<Practice::Step>] those of them that other places wait for
      def core(label) =
        (@cores ||= {})[label] ||= path(label).select { |step| needed_elsewhere.include?(step.id) }

      # @param label [String]
      # @return [Integer] bars
      def bars(label) =
        (@bars ||= {})[label] ||= path(label).flat_map(&:spans).flat_map(&:bars).uniq.size

      # @return [Array<Practice::Step>] at marked spots and hard joins
      def hard_places =
        @hard_places ||= @steps.select { |step| spot?(step) || (step.join && step.hard) }

      # @return [Array<Practice::Step>] the other joins, and joined spans
      def joining =
        @joining ||= @steps.select { |step| !step.hard && (step.join || Places.bridge?(step)) }

      # @return [Array<Practice::Step>] of the whole piece, its lines and pages
      def whole =
        @whole ||=
          begin
            elsewhere = [hard_places, joining, *paths.values].flatten.to_set(&:id)
            @steps.reject { |step| elsewhere.include?(step.id) }
          end

      # @return [Boolean] whether the whole piece is learnt a layer at a time, each section by
      #   section first: no section is finished before the next one begins
      def by_layers?
        return @by_layers unless @by_layers.nil?

        of_whole = whole.map(&:id)
        @by_layers =
          paths.values.flatten.any? do |step|
            needed_elsewhere.include?(step.id) && ((step.needs + step.after) & of_whole).any?
          end
      end

      private

      def paths =
        @paths ||=
          @steps.select { |step| step.section && !spot?(step) && !step.join }.group_by(&:section)

      def spot?(step) = step.id.start_with?("spot@")

      # Steps of sections that joins rest on, or the whole where there is none.
      def needed_elsewhere
        @needed_elsewhere ||=
          begin
            joins = @steps.select { |step| step.join || Places.bridge?(step) }
            roots = joins.empty? ? whole : joins
            found = rests_on(roots.flat_map { |step| step.needs + step.after })
            found.empty? ? paths.values.flatten.to_set(&:id) : found
          end
      end

      # These steps and all that they wait for, directly or not.
      def rests_on(ids)
        by_id = @steps.to_h { |step| [step.id, step] }
        found = Set.new
        until ids.empty?
          id = ids.pop
          next unless found.add?(id)

          step = by_id[id]
          ids.concat(step.needs + step.after) if step
        end
        found
      end
    end
  end
end
