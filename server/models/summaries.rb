# frozen_string_literal: true

module Stairwell
  module Server
    module Models
      # What the studio page shows of each student, computed from the rows and kept
      # until a row is added or the day changes.
      class Summaries
        # Students whose summary is made while the page is asked for. Own choice: the
        # others are made in the background.
        AT_ONCE = 8

        def initialize(desk)
          @desk = desk
        end

        # @param ids [Array<Integer>] students
        # @yieldparam missing [Array<Integer>] whose summary is not there or not fresh
        # @yieldreturn [Hash{Integer => Hash}] their summaries
        # @return [Hash{Integer => Hash}] by student; some may be of the day before
        def of(ids)
          kept = @desk[:student_summaries].where(student_id: ids).to_h { |row| [row[:student_id], row] }
          old = ids.reject { |id| fresh?(kept[id]) }
          made = old.any? ? yield(old.first(AT_ONCE)) : {}
          made.each { |id, summary| keep(id, summary) }
          Jobs::Summarise.soon(@desk) if old.size > AT_ONCE
          kept.transform_values { |row| row[:summary].to_hash }.merge(made.transform_values { |one| JSON.parse(JSON.generate(one)) })
        end

        # @return [void]
        def stale(student_id)
          @desk[:student_summaries].where(student_id: student_id, stale: false).update(stale: true)
        end

        private

        def fresh?(row) = row && !row[:stale] && row[:computed_on] == @desk.today

        def keep(student_id, summary)
          values = {summary: Sequel.pg_jsonb(summary), computed_on: @desk.today, stale: false}
          @desk.db[:student_summaries].insert_conflict(target: %i[studio_id student_id], update: values).insert(studio_id: @desk.studio_id, student_id: student_id, **values)
        end
      end
    end
  end
end
