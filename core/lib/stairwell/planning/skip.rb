# frozen_string_literal: true

module Stairwell
  module Planning
    # What to leave out when a day went badly: things that keep and polish before
    # things that others wait for.
    module Skip
      module_function

      # @param items [Array<Item>] of the day, in its order
      # @param waiting [Hash{String => Integer}] later steps by id
      # @return [Array<String>] ids to skip, until half of the day is left
      def of(items, waiting = {})
        total = items.sum(0r, &:minutes)
        left = total
        order =
          items
            .reject { |one| one.kind == :added }
            .sort_by
            .with_index { |one, at| [rank(one), waiting.fetch(one.id, 0), -at] }
        order
          .take_while do |one|
            (left - one.minutes >= total * Constants::KEPT_OF_A_DAY).tap do |fits|
              left -= one.minutes if fits
            end
          end
          .map(&:id)
      end

      # What is more than needed, extra work and runs go first, then reviews, then what is new; what
      # was begun stays longest.
      def rank(item)
        { more: 0, extra_work: 1, run: 2, review: 3, warm_up: 4 }.fetch(item.kind) do
          item.begins ? 5 : 6
        end
      end
      private_class_method :rank
    end
  end
end
