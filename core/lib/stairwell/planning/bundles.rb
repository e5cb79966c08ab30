# frozen_string_literal: true

module Stairwell
  module Planning
    # Steps of one sitting are planned as one: they stand together on each of their days, begin
    # together, and lose repetitions together where the day is short. Once all of them are done
    # they are steps like any others, which come back one by one.
    class Bundles
      # @param id [String]
      # @param parts [Array<Task>] in their order
      # @return [Task] of all of them; what they wait for is left open
      def self.of(id, parts)
        days = parts.map(&:good_days).max
        first = parts.map { |part| part.first.size }.max
        Task.new(
          id: id,
          title: parts.last.title,
          good_days: days,
          credited: days - parts.map(&:remaining).max,
          repetitions: parts.map(&:repetitions).max,
          ready: parts.first.ready,
          minutes: sum(parts, &:minutes),
          first: Array.new(first) { |done| sum(parts) { |part| part.minutes_after(done) } },
          begun: parts.any?(&:begun?),
          fallen: parts.any?(&:fallen),
          hard: parts.any?(&:hard),
          introduced: parts.all?(&:introduced),
          lesson: parts.map(&:lesson).max,
          priority: parts.map(&:priority).max,
          most: parts.map(&:repetitions).max,
          parts: parts,
          **parts.last.to_h.slice(:kind, :turn, :group, :section, :because)
        )
      end

      # One gets ready once.
      def self.sum(parts) = parts.first.ready + parts.sum(0r) { |part| yield(part) - part.ready }
      private_class_method :sum

      # @param tasks [Array<Task>]
      # @param practice [Practice]
      # @param warm_ups [Array<WarmUp>] that take their minutes of every day
      def initialize(tasks, practice, warm_ups = [])
        @tasks = tasks
        @most = practice.most - warm_ups.sum(0r, &:minutes)
        @parts =
          tasks
            .select(&:sitting)
            .group_by(&:sitting)
            .reject { |_, parts| parts.size < 2 || parts.all? { |part| part.remaining.zero? } }
        @of = @parts.flat_map { |id, parts| parts.map { |part| [part.id, id] } }.to_h
      end

      # @return [Array<Task>] with one for each sitting, where the first of its steps stood
      def tasks
        return @tasks if @parts.empty?

        @tasks.filter_map do |task|
          sitting = @of[task.id]
          next waiting(task) unless sitting

          bundle(sitting) if @parts[sitting].first.equal?(task)
        end
      end

      private

      # What a sitting waits for does not wait for it, as the easier form of one of its steps
      # would for those before that.
      def waiting(task)
        before = @parts.keys.select { |id| rests_on(id).include?(task.id) }
        task.with(needs: through(task.needs) - before, after: through(task.after) - before)
      end

      # @return [Set<String>] ids of all that a sitting waits for
      def rests_on(id)
        (@rests_on ||= {})[id] ||= Set.new.tap do |found|
          waiting = @parts[id]
          until waiting.empty?
            ids =
              waiting
                .flat_map { |task| task.needs + task.after }
                .reject { |one| @of[one] == id || found.include?(one) }
            found.merge(ids)
            waiting = ids.uniq.map { |one| by_id.fetch(one) }
          end
        end
      end

      def by_id = @by_id ||= @tasks.to_h { |task| [task.id, task] }

      # As they are called when they are one.
      def through(ids) = ids.map { |id| @of.fetch(id, id) }.uniq

      def bundle(id)
        parts = @parts[id]
        whole =
          Bundles.of(id, parts).with(
            needs: through(parts.flat_map(&:needs)) - [id],
            after: through(parts.flat_map(&:after)) - [id]
          )
        [1, *Constants::SHORTER].map { |share| whole.part_of(share) }
          .find { |task| task.least.longest <= @most } || whole
      end
    end
  end
end
