# frozen_string_literal: true

require "tsort"

module Stairwell
  module Planning
    # The order that needs impose on tasks. Inside, tasks go by their place in
    # the list, so that following needs is quick however often it is done.
    class Needs
      include TSort

      # @return [Array<Task>]
      attr_reader :tasks
      # @return [Array<Array<Integer>>] places a task needs, and comes after
      attr_reader :needs, :after
      # @return [Array<Array<Integer>>] places of what needs a task
      attr_reader :later_needs

      # @param tasks [Array<Task>]
      # @raise [ContradictionError] on a circle, an unknown id or one used twice
      def initialize(tasks)
        @tasks = tasks
        @place = tasks.each_with_index.to_h { |task, at| [task.id, at] }
        twice = tasks.map(&:id).tally.find { |_, count| count > 1 }
        if twice
          raise ContradictionError,
                Phrase["planning.needs.the_step_stands_twice_in_the", first: twice.first]
        end

        check_known
        @needs = tasks.map { |task| task.needs.map { |id| @place[id] } }
        @after = tasks.map { |task| task.after.map { |id| @place[id] } }
        @order = sorted
        @rests = resting
        @later_needs, @later_after = [@needs, @after].map { |lists| turned_round(lists) }
      end

      # @return [Array<Integer>] by place, a bit for each task it rests on: what it needs, and all
      #   that needs
      attr_reader :rests

      # @param id [String]
      # @return [Array<String>] ids of all it rests on
      def rests_on(id) =
        @rests[@place[id]].then do |bits|
          @tasks.each_index.select { |at| bits[at] == 1 }.map { |at| @tasks[at].id }
        end

      # @param id [String]
      # @return [Integer] its place in the list
      def place(id) = @place[id]

      # For each task the longest chain of good days that still hangs on it, its
      # own included. What merely comes after it in the same sitting can run
      # beside it, so that chain is not added to its own.
      #
      # @param left [Array<Integer>] good days each task still takes, by place
      # @return [Array<Integer>] days by place
      def chains(left) =
        Array
          .new(left.size, 0)
          .tap { |found| @order.reverse_each { |at| found[at] = longest(at, found, left) } }

      # The same, where only some tasks have other good days than before: what hangs together
      # with them is worked out anew, as a piece does.
      # @param found [Array<Integer>] as {chains} gives; it is changed
      # @param changed [Array<Integer>] places
      # @return [void]
      def renew(found, left, changed)
        changed
          .map { |at| together[at] }
          .uniq
          .each { |places| places.each { |at| found[at] = longest(at, found, left) } }
      end

      # @return [Array<Task>] each after everything it waits for
      def in_order = @order.map { |at| @tasks[at] }

      private

      # What is needed comes before what needs it; chains grow backwards.
      def longest(at, found, left)
        longest = 0
        @later_needs[at].each { |other| longest = found[other] if found[other] > longest }
        longest += left[at]
        @later_after[at].each { |other| longest = found[other] if found[other] > longest }
        longest
      end

      # @return [Array<Array<Integer>>] by place, all that hang together with it, the last of them
      #   first
      def together
        @together ||=
          begin
            of = Array.new(@tasks.size)
            @order.each do |at|
              found = (@needs[at] + @after[at]).map { |other| of[other] }.uniq(&:object_id)
              into = found.max_by(&:size) || []
              found.each do |places|
                into.concat(places.each { |other| of[other] = into }) unless places.equal?(into)
              end
              of[at] = into << at
            end
            place = @order.each_with_index.to_h
            of.uniq(&:object_id).each { |places| places.sort_by! { |at| -place[at] } }
            of
          end
      end

      def check_known
        @tasks.each do |task|
          unknown = (task.needs + task.after).find { |id| !@place.key?(id) }
          if unknown
            raise ContradictionError,
                  Phrase[
                    "planning.needs.the_step_needs_which_is_not",
                    id: task.id,
                    unknown: unknown
                  ]
          end
        end
      end

      # Places, each after what it waits for.
      def sorted
        # Mostly they stand so already; the walk would give the same.
        if @tasks.each_index.all? { |at| (@needs[at] + @after[at]).all? { |other| other < at } }
          return @tasks.each_index.to_a
        end

        components = strongly_connected_components
        circle =
          components.find { |places| places.size > 1 } ||
            @tasks
              .each_index
              .find { |at| (@needs[at] + @after[at]).include?(at) }
              &.then { |at| [at] }
        return components.flatten unless circle

        raise ContradictionError,
              Phrase[
                "planning.needs.circle",
                steps: Phrase.list(circle.map { |at| @tasks[at].id }, by: :comma)
              ]
      end

      # Needs of needs count as needs: what was done already may have fallen behind.
      def resting
        @order.each_with_object(Array.new(@tasks.size, 0)) do |at, found|
          found[at] = @needs[at].inject(0) { |bits, other| bits | (1 << other) | found[other] }
        end
      end

      def turned_round(lists)
        lists
          .each_with_index
          .each_with_object(Array.new(lists.size) { [] }) do |(list, at), found|
            list.each { |other| found[other] << at }
          end
      end

      def tsort_each_node(&) = @tasks.each_index(&)

      def tsort_each_child(at, &) = (@needs[at] + @after[at]).each(&)
    end
  end
end
