# frozen_string_literal: true

module Stairwell
  module Server
    module Services
      # The weeks of a student from lesson to lesson, as they were planned and as they
      # were practised. Two queries, however many weeks.
      class PastWeeks
        # Weeks that are shown. Own choice: a term.
        MOST = 12

        def initialize(desk, student_id)
          @desk = desk
          @student_id = student_id
        end

        # @return [Array<Hash>] the newest first: :starts, :next_lesson, :days (boxes),
        #   :practised and :planned (days), :minutes and :planned_minutes, :steps
        #   (title, piece, times done and asked)
        def rows = plans.map { |plan| week(plan) }

        private

        # The last plan of each week that has begun.
        def plans
          @plans ||= @desk[:week_plans].where(student_id: @student_id).where(Sequel[:starts] <= @desk.today)
            .distinct(:next_lesson).order(Sequel.desc(:next_lesson), Sequel.desc(:id)).limit(MOST).select_map(:plan).map(&:to_hash)
        end

        def week(plan)
          days = plan["days"].map { |day| [day, items(day)] }
          boxes = days.map { |day, items| box(day["date"], items) }
          {
            starts: plan["days"].first&.fetch("date") || plan["starts"], next_lesson: plan["next_lesson"], days: boxes,
            planned: days.count { |_, items| items.any? }, practised: boxes.count { |one| one[:repetitions].positive? },
            minutes: days.sum { |_, items| items.sum { |item, done| item["minutes"].to_r * share(item, done) } }.to_f.round(1),
            planned_minutes: days.sum { |_, items| items.sum { |item, _| item["minutes"].to_r } }.to_f.round(1), steps: steps(days.flat_map(&:last))
          }
        end

        # What stands on a day, with how often it was done.
        def items(day) = day["items"].select { |item| item["step_id"] }.map { |item| [item, counted.fetch([item["assignment_id"], item["step_id"], day["date"]], 0)] }

        def share(item, done) = [done, item["repetitions"]].min.to_r / item["repetitions"]

        def box(date, items)
          {
            date: date, planned: items.any?, of: items.sum { |item, _| item["repetitions"] }, repetitions: by_day.fetch(date, 0),
            struggle: items.any? { |item, _| struggled.include?([item["assignment_id"], item["step_id"], date]) }
          }
        end

        def steps(items)
          items.group_by { |item, _| item.values_at("assignment_id", "step_id") }.values.map do |all|
            {**all.first.first.slice("title", "piece").transform_keys(&:to_sym), done: all.sum(&:last), of: all.sum { |item, _| item["repetitions"] }}
          end
        end

        # Repetitions by step and day, without those that were taken back.
        def counted = @counted ||= sums.to_h { |row| [key(row), row[:repetitions]] }

        def struggled = @struggled ||= sums.select { |row| row[:struggles].positive? }.to_set { |row| key(row) }

        def by_day = @by_day ||= sums.group_by { |row| row[:day].to_s }.transform_values { |rows| rows.sum { |row| row[:repetitions] } }

        def key(row) = [row[:assignment_id], row[:step_id], row[:day].to_s]

        def sums
          since = plans.map { |plan| plan["starts"] }.min || @desk.today
          marks = @desk[:practice_marks].where(student_id: @student_id)
          undone = marks.where(kind: "undo").select(:undoes)
          @sums ||= marks.where(Sequel[:day] >= since).exclude(kind: "undo").exclude(key: undone).group(:assignment_id, :step_id, :day)
            .select(:assignment_id, :step_id, :day, Sequel.function(:count).*.filter(kind: "repetition").as(:repetitions), Sequel.function(:count).*.filter(kind: "struggle").as(:struggles)).all
        end
      end
    end
  end
end
