# frozen_string_literal: true

module Stairwell
  module Server
    module Services
      # The steps of the week that ends, and others that were begun, in the order
      # worth hearing: what most later steps wait for comes first. The order does
      # not change while they are heard.
      class Heard
        # @param desk [Desk]
        # @param given [Array<Models::Assignments::Given>]
        # @param week [Hash, nil] the week that ends, as stored
        # @param load [Workload]
        def initialize(desk, given, week, load)
          @desk = desk
          @given = given
          @week = week
          @load = load
          @planned = planned_days
        end

        # @return [Array<Hash>]
        def rows
          found = @given.flat_map { |one| one.progress.standings.values.filter_map { |standing| row(one, standing) if worth?(one, standing) } }
          ranks = ranked(found)
          found = found.sort_by.with_index { |one, at| [ranks.index { |rank| rank.id == task_id(one) } || ranks.size, at] }
          first = ranks.find { |rank| rank.waiting.positive? }
          found.map { |one| one.merge(first: (why(first) if first && task_id(one) == first.id)) }
        end

        private

        def worth?(one, standing)
          key = [one.id, standing.step.id]
          @planned.key?(key) || results.key?(key) || standing.state == :begun
        end

        # Ranked as the lesson began, without what was heard today.
        def ranked(found)
          tasks = @given.flat_map { |one| one.progress.without_results_of(@desk.today).tasks(prefix: one.prefix) }
          known = tasks.to_h { |task| [task.id, task] }
          open = found.map { |one| task_id(one) }.select { |id| known.key?(id) && known[id].remaining.positive? }
          Planning::Decisive.rank(tasks, open)
        end

        def task_id(one) = "#{one[:assignment_id]}/#{one[:id]}"

        def why(rank) = "#{rank.waiting} later #{(rank.waiting == 1) ? "step waits" : "steps wait"} for it"

        def row(one, standing)
          key = [one.id, standing.step.id]
          said = results[key]
          Views::Student.standing(standing, one.progress).merge(
            assignment_id: one.id, piece: one.title, result: said && said[:result], recorded_by: (said[:name] if said && said[:recorded_by] != @desk.account_id), days: boxes(@planned.fetch(key, []), standing),
            said: said&.slice(*Lesson::DETAILS), bars: bars(one, standing.step), hands: standing.step.hands.to_s
          )
        end

        # The last word of each step today.
        def results
          @results ||= @desk[:lesson_results].where(assignment_id: @given.map(&:id), day: @desk.today).left_join(:accounts, id: :recorded_by)
            .select_all(:lesson_results).select_append(Sequel[:accounts][:name]).order(:made_at).to_h { |row| [[row[:assignment_id], row[:step_id]], row] }
        end

        def bars(one, step)
          @maps ||= {}
          map = @maps[one.id] ||= Workbench.of(@desk, one.row).map
          step.spans.flat_map(&:bars).uniq.first(60).select { |index| index <= map.bars.size }.map { |index| {bar: index, name: map.bar(index).name} }
        end

        def planned_days
          return {} unless @week

          @week["days"].each_with_object(Hash.new { |all, key| all[key] = [] }) do |day, found|
            day["items"].each { |item| found[[item["assignment_id"], item["step_id"]]] << Date.parse(day["date"]) if item["step_id"] }
          end
        end

        # Every practice day of the week, so that the boxes of all steps line up,
        # and other days on which the step was practised.
        def boxes(planned, standing)
          days = @week ? @week["days"].map { |day| Date.parse(day["date"]) } : []
          practised = standing.days.keys.select { |date| date >= (days.min || (@desk.today - 6)) }
          (days | practised).sort.map do |date|
            day = standing.days.fetch(date, {repetitions: 0, struggle: false})
            {date: date.to_s, planned: planned.include?(date), of: standing.step.repetitions, **day}
          end
        end
      end

      # What a result changed in the week, in words.
      module WeekChange
        # Changes that are told. Own choice.
        MOST = 4

        module_function

        # @param before [Hash] as {Views::Week} shows it
        # @param after [Hash]
        # @return [Array<String>]
        def words(before, after)
          was, now = [before, after].map { |week| standing(week) }
          (was.keys | now.keys).filter_map { |id| told(was[id], now[id]) }.first(MOST)
        end

        def standing(week)
          week[:days].flat_map { |day| day[:items].map { |item| [item[:id], item[:title], day[:date]] } }
            .group_by(&:first).transform_values { |all| [all.first[1], all.map(&:last)] }
        end

        def told(was, now)
          return if was&.last == now&.last
          return "#{now.first} comes in: #{days(now.last)}" unless was
          return "#{was.first} is out of the week" unless now

          "#{now.first}: #{days(now.last)} instead of #{days(was.last)}"
        end

        def days(dates) = dates.map { |date| Date.parse(date).strftime("%a") }.join(", ")
        private_class_method :standing, :told, :days
      end

      # A place that did not go becomes a spot on the student's own page.
      class Spots
        def initialize(desk, student)
          @desk = desk
          @student = student
        end

        # @param given [Models::Assignments::Given]
        # @param bar [Integer] index in the piece
        # @param result [String] heard there; what is shaky must stumble there twice
        # @return [void]
        def mark(given, bar, result)
          return unless worth?(given, bar, result)

          bench = Workbench.new(@desk, given.row[:piece_id], @student[:id].to_s)
          return if bar > bench.map.bars.size || bench.map.markings.spots.any? { |spot| spot.span.cover?(bar) }

          shown = bench.show
          bench.save(bench.draft(shown[:script], put: ["spot: #{bench.map.bar(bar).name}"])[:script], seen: shown[:revision])
          Giving.new(@desk, @student).take_over(given.id)
        rescue UnreadableError
          nil # the page cannot say this bar by number; the result itself is kept
        end

        private

        def worth?(given, bar, result)
          result == "not_yet" || (result == "shaky" && twice?(given, bar))
        end

        def twice?(given, bar)
          @desk[:lesson_results].where(assignment_id: given.id, bar: bar).exclude(result: %w[steady secure not_heard]).select(:day).distinct.count >= 2
        end
      end
    end
  end
end
