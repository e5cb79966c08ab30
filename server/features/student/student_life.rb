# frozen_string_literal: true

module Stairwell
  module Server
    module Features
      # A student leaves, is back, pauses and goes on; brothers and sisters, the family's calendar.
      class StudentLife
        # @param context [StudioContext]
        def initialize(context)
          @context = context
          @changes = Repositories::Changes.new(context)
        end

        # Their sheet's link opens nothing more; all else stays as it was.
        # @return [Hash]
        def leave(id)
          told =
            Studio::Keeping.new(
              left_on: @context.today,
              months: @context.studio[:keep_months]
            ).next_on
          @context.write do |tables|
            Repositories::Students.new(tables).leave(id, @context.today)
            Jobs::EndKeeping.lay(tables, id, told)
            Repositories::SheetLinks.new(tables).withdraw(id)
          end
          show(id)
        end

        # @return [Hash]
        def return(id)
          @context.write do |tables|
            Repositories::Students.new(tables).leave(id, nil)
            Jobs::EndKeeping.lay(tables, id, nil)
          end
          show(id)
        end

        # No lessons and no practice from today on.
        # @return [Hash]
        def pause(id) = paused(id) { |row| { paused_on: row[:paused_on] || @context.today } }

        # The pause ends; its days stand among the absences from then on.
        # @return [Hash]
        def go_on(id)
          paused(id) do |row|
            gone =
              (
                if row[:paused_on] && row[:paused_on] < @context.today
                  [{ from: row[:paused_on].to_s, to: (@context.today - 1).to_s }]
                else
                  []
                end
              )
            {
              paused_on: nil,
              absent: [*row[:absent].to_a.map(&:to_h), *gone].last(Limits::ABSENCES)
            }
          end
        end

        # @param other [Integer, nil] a brother or sister
        # @return [Hash]
        def change_family(id, other)
          @context.write do |tables|
            repository = Repositories::Students.new(tables)
            repository.find(id)
            Rights.with_student!(@context, tables, repository.find(other)) if other
            repository.join_family(id, other)
          end
          show(id)
        end

        # @return [Hash] the student with a new link to the calendar; the old one opens nothing
        #   more
        def renew_calendar(id) = with_calendar(id, &:renew)

        # @return [Hash]
        def withdraw_calendar(id) = with_calendar(id, &:withdraw)

        private

        def show(id) = Students.new(@context).show(id)

        # @yieldparam row [Hash]
        # @yieldreturn [Hash] values of the row that change
        def paused(id)
          row = values = nil
          keep = ->(tables, _) { Repositories::Students.new(tables).pause(id, **values) }
          @changes.act(
            id,
            more: ->(tables) { row = Repositories::Students.new(tables).find(id) },
            keep: keep
          ) do |record|
            values = yield row
            Studio.change_student(
              record,
              Repositories::Students.value(row.merge(values), @context.studio[:locale])
            ).with(student: nil)
          end
          show(id)
        end

        def with_calendar(id)
          @context.write do |tables|
            yield calendars(tables), student_id: Repositories::Students.new(tables).find(id)[:id]
          end
          show(id)
        end

        def calendars(tables) = Repositories::CalendarLinks.new(tables)
      end
    end
  end
end
