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
          @tables[:lessons]
            .where(student_id: student_id, day: @context.today)
            .left_join(:accounts, id: :written_by)
            .select_all(:lessons)
            .select_append(Sequel[:accounts][:name].as(:writer))
            .first
        end

        # @return [Array<Hash>] finished ones, the newest first, with :results that said
        #   something
        def history(student_id, limit: 30)
          heard =
            @tables[:lesson_results]
              .where(student_id: student_id)
              .exclude(result: "not_heard")
              .group_and_count(:day)
              .as(:heard)
          @tables[:lessons]
            .where(student_id: student_id)
            .exclude(finished_at: nil)
            .left_join(heard, day: Sequel[:lessons][:day])
            .left_join(:accounts, id: Sequel[:lessons][:finished_by])
            .select(
              Sequel[:lessons][:day],
              :recap,
              :notes,
              Sequel.function(:coalesce, :count, 0).as(:results),
              Sequel[:accounts][:name].as(:giver)
            )
            .reverse(Sequel[:lessons][:day])
            .limit(limit)
            .all
        end

        # @return [Hash, nil] the last finished one before today, with who gave it as :giver
        def last(student_id)
          @tables[:lessons]
            .where(student_id: student_id)
            .where(Sequel[:day] < @context.today)
            .exclude(finished_at: nil)
            .left_join(:accounts, id: :finished_by)
            .select(:day, :recap, :notes, Sequel[:accounts][:name].as(:giver))
            .reverse(:day)
            .first
        end

        # @param tables [Tables]
        # @return [Array<Hash>] :day and :recap of the last ones that were finished, today's too,
        #   the newest first
        def self.told(tables, student_id) =
          tables[:lessons]
            .where(student_id: student_id)
            .exclude(finished_at: nil)
            .exclude(recap: nil)
            .reverse(:day)
            .limit(Limits::RECAPS_ON_SHEET)
            .select(:day, :recap)
            .all

        # @param values [Hash] :recap (nil takes the plan's words again), :notes
        # @param seen [Integer] version the client saw, 0 where there was none
        # @return [Boolean] false when someone else wrote meanwhile
        def save(student_id, values, seen:)
          written = { written_by: @context.account_id, **values.slice(:recap, :notes) }
          !@tables.revise_or_add(
            :lessons,
            { student_id: student_id, day: @context.today },
            seen: seen,
            first: {
              opened_by: @context.account_id
            },
            **written
          ).nil?
        end

        # @param recap [String] what was told: it stays so, whatever is planned later
        # @return [void]
        def finish(student_id, recap)
          done = {
            recap: recap,
            finished_by: @context.account_id,
            finished_at: Sequel.function(:clock_timestamp)
          }
          @tables.db[:lessons].insert_conflict(
            target: %i[studio_id student_id day],
            update: done.merge(version: Sequel[:lessons][:version] + 1)
          ).insert(
            studio_id: @tables.studio_id,
            student_id: student_id,
            day: @context.today,
            opened_by: @context.account_id,
            written_by: @context.account_id,
            **done
          )
        end

        # Opens a finished one again.
        # @param day [Date]
        # @return [Boolean] false where there is none
        def reopen(student_id, day)
          @tables[:lessons]
            .where(student_id: student_id, day: day)
            .exclude(finished_at: nil)
            .update(finished_at: nil, finished_by: nil, version: Sequel[:version] + 1)
            .positive?
        end

        # @return [Integer] how many lessons of my students another gave lately, that I have
        #   not looked through
        def given_by_others = others.count

        # @return [Array<Hash>] these, the oldest first, with the student's :name and who gave
        #   it as :giver
        def while_away
          others
            .join(:accounts, id: Sequel[:lessons][:finished_by])
            .order(Sequel[:lessons][:day], Sequel[:students][:name])
            .select(
              Sequel[:lessons][:day],
              :student_id,
              Sequel[:students][:name],
              :recap,
              :notes,
              Sequel[:accounts][:name].as(:giver)
            )
            .all
        end

        # @return [Boolean] false where there is none
        def look_through(student_id, day)
          @tables[:lessons]
            .where(student_id: student_id, day: day)
            .update(seen_by: @context.account_id, seen_at: Sequel.function(:clock_timestamp))
            .positive?
        end

        # @return [Array<Integer>] students whose lesson is finished today
        def finished_today =
          @tables[:lessons]
            .where(day: @context.today)
            .exclude(finished_at: nil)
            .select_map(:student_id)

        private

        def others
          @tables[:lessons]
            .where(seen_at: nil)
            .where(Sequel[:lessons][:day] > @context.today - Limits::APPOINTMENT_DAYS)
            .exclude(finished_at: nil)
            .exclude(finished_by: @context.account_id)
            .join(:students, { studio_id: :studio_id, id: :student_id })
            .where(
              Sequel[:students][:teacher_id] => @context.account_id,
              Sequel[:students][:left_on] => nil
            )
        end
      end
    end
  end
end
