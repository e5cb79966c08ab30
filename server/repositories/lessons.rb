# frozen_string_literal: true

module Stairwell
  module Server
    module Repositories
      # Lessons: what was told and noted, and whether they are finished. One for a student
      # and a day.
      class Lessons
        # @param tables [Tables]
        # @param context [StudioContext]
        def initialize(tables, context)
          @tables = tables
          @context = context
        end

        # @return [Hash, nil] today's row, with the name of who wrote last
        def today(student_id)
          @tables[:lessons].where(student_id: student_id, day: @context.today).left_join(:accounts, id: :written_by)
            .select_all(:lessons).select_append(Sequel[:accounts][:name].as(:writer)).first
        end

        # @return [Array<Hash>] finished ones, the newest first, with :results that said
        #   something
        def history(student_id, limit: 30)
          heard = @tables[:lesson_results].where(student_id: student_id).exclude(result: "not_heard").group_and_count(:day).as(:heard)
          @tables[:lessons].where(student_id: student_id).exclude(finished_at: nil).left_join(heard, day: Sequel[:lessons][:day])
            .select(Sequel[:lessons][:day], :recap, :notes, Sequel.function(:coalesce, :count, 0).as(:results)).reverse(Sequel[:lessons][:day]).limit(limit).all
        end

        # @param values [Hash] :recap (nil takes the plan's words again), :notes
        # @param seen [Integer] version the client saw, 0 where there was none
        # @return [Boolean] false when someone else wrote meanwhile
        def save(student_id, values, seen:)
          written = {written_by: @context.account_id, **values.slice(:recap, :notes)}
          !@tables.revise_or_add(:lessons, {student_id: student_id, day: @context.today}, seen: seen, first: {opened_by: @context.account_id}, **written).nil?
        end

        # @param recap [String] what was told: it stays so, whatever is planned later
        # @return [void]
        def finish(student_id, recap)
          done = {recap: recap, finished_by: @context.account_id, finished_at: Sequel.function(:clock_timestamp)}
          @tables.db[:lessons].insert_conflict(target: %i[studio_id student_id day], update: done.merge(version: Sequel[:lessons][:version] + 1))
            .insert(studio_id: @tables.studio_id, student_id: student_id, day: @context.today, opened_by: @context.account_id, written_by: @context.account_id, **done)
        end

        # @return [Array<Integer>] students whose lesson is finished today
        def finished_today = @tables[:lessons].where(day: @context.today).exclude(finished_at: nil).select_map(:student_id)

        private

        def own(student_id) = @tables[:lessons].where(student_id: student_id, day: @context.today)
      end
    end
  end
end
