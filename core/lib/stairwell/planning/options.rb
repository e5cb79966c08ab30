# frozen_string_literal: true

module Stairwell
  module Planning
    # Looks for the smallest set of changes with which a piece is ready in time; where none
    # reaches that, for what comes nearest with one, two and three of them.
    class Options
      # One thing that can be changed. Of one `kind`, such as more minutes, a set has one at most.
      Change = Stairwell.value(:id, :kind, :words)

      # @param changes [Array<Change>]
      # @param now [Date, nil] when it is ready as things are; nil for never
      # @param due [Date]
      # @yieldparam ids [Array<String>] of changes
      # @yieldreturn [Date, nil] when it is ready with these
      def initialize(changes, now:, due:, &date)
        @changes = changes
        @now = now
        @due = due
        @date = date
      end

      # @return [Array<Option>] the soonest first; none where nothing helps
      def to_a
        singles = dated(@changes.zip)
        helpful = singles.flat_map(&:first).uniq(&:kind).first(Constants::OPTIONS_COMBINED)
        sizes = [singles]
        until sizes.last.empty? || sizes.size == Constants::OPTIONS_TOGETHER ||
                sizes.last.any? { |_, date| in_time?(date) }
          sizes << dated(together(helpful, sizes.size + 1))
        end
        reaching = sizes.last.select { |_, date| in_time?(date) }
        found = reaching.any? ? reaching.first(Constants::OPTIONS_SHOWN) : nearest(sizes)
        found.map { |changes, date| option(changes, date) }
      end

      private

      # The best of each size, as far as more changes make it sooner.
      def nearest(sizes)
        sizes
          .filter_map(&:first)
          .inject([]) do |found, (changes, date)|
            (found.any? && date >= found.last.last) ? found : [*found, [changes, date]]
          end
          .reverse
      end

      def together(changes, size) = changes.combination(size).to_a

      # @return [Array<Array(Array<Change>, Date)>] those that help, the soonest first
      def dated(sets)
        found = sets.filter_map { |set| (date = @date.call(set.map(&:id))) && [set, date] }
        found
          .select { |_, date| @now.nil? || date < @now }
          .sort_by { |set, date| [date, set.map(&:id)] }
      end

      def in_time?(date) = date <= @due

      def option(changes, date)
        Option.new(
          change: changes.map(&:id).join("+"),
          words: Phrase.list(changes.map(&:words)),
          date: date,
          days_sooner: @now && (@now - date).to_i,
          reaches: in_time?(date)
        )
      end
    end
  end
end
