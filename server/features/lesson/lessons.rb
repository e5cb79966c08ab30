# frozen_string_literal: true

module Stairwell
  module Server
    module Features
      # A lesson of one student.
      class Lessons
        # @param context [StudioContext]
        # @param id [Integer] of the student
        def initialize(context, id)
          @context = context
          @id = id
          @changes = Repositories::Changes.new(context)
        end

        # @return [Hash] see the contract's Lesson
        def show
          beside = nil
          record =
            Repositories::Records.new(@context).find(@id) { |tables| beside = beside(tables) }
          Repositories::Changes.here!(record.student)
          LessonJson.new(
            record,
            beside,
            @context.account_id,
            outlooks: Outlooks.of(@context, record)
          ).to_h
        end

        # @return [Array<Hash>] what introducing something would come to; nothing is kept
        def introducing
          Studio::Introducing
            .new(Repositories::Records.new(@context).find(@id))
            .to_a
            .map do |one|
              one.to_h.merge(
                minutes: one.minutes.to_f,
                budget: one.budget.to_f,
                likely: one.likely&.to_s,
                cautious: one.cautious&.to_s
              )
            end
        end

        # @param said [Hash] assignment_id:, step_id:, key:, and what else was said
        # @return [Hash] the lesson, with what changed in the next week
        def hear(result:, day: nil, **said)
          date = day && Problem.date(day, "day")
          act { |record| Studio.hear(record, result: result.to_sym, day: date, **said) }
        end

        # Ticks of a paper chart.
        # @param days [Array<String>]
        # @return [Hash] the lesson
        def tick(days:, **said)
          days = days.map { |day| Problem.date(day, "days") }
          ticked = nil
          more = ->(tables) do
            ticked =
              tables[:practice_marks]
                .where(student_id: @id, step_id: said[:step_id])
                .exclude(entered_by: nil)
                .select_map(:key)
                .to_set
          end
          act(more: more) { |record| Studio.tick(record, ticked: ticked, days: days, **said) }
        end

        # @return [Hash] {result:, why:} offered for what was counted
        def offer(**said)
          offered = Studio.offer(Repositories::Records.new(@context).find(@id), **said)
          { result: offered.result.to_s, why: offered.why }
        end

        # Keeps the teacher's words as they are typed.
        # @param values [Hash] recap: (nil to take the plan's again), notes:
        # @return [Hash] the lesson's own words
        # @raise [Problem] 409 when someone else wrote meanwhile
        def write(values, seen:)
          saved, row =
            @context.write do |tables|
              Repositories::Students.new(tables).find(@id)
              lessons = Repositories::Lessons.new(tables, @context)
              [lessons.save(@id, values, seen: seen), lessons.today(@id)]
            end
          notes = LessonJson.notes(row, @context.account_id)
          if saved
            notes
          else
            raise(
              Problem.stale(
                :lesson,
                Phrase["server.lesson.lessons.this_lesson"],
                kept: notes,
                sent: values
              )
            )
          end
        end

        # @return [Hash] the lesson
        def lend(title)
          @context.write do |tables|
            Repositories::Lendings.new(tables, @context).lend(
              Repositories::Students.new(tables).find(@id)[:id],
              title
            )
          end
          show
        end

        # @return [Hash] the lesson
        def take_back(lent)
          @context.write do |tables|
            Repositories::Lendings.new(tables, @context).take_back(@id, lent)
          end
          show
        end

        # Opens today's lesson again after it was finished; what was told stays until it is
        # told anew.
        # @return [Hash] the lesson
        # @raise [MissingError] where it is not finished
        def reopen
          @context.write do |tables|
            Repositories::Lessons.new(tables, @context).reopen(@id, @context.today) ||
              raise(MissingError, Phrase["missing.finished_lesson"])
          end
          show
        end

        # Plans the week, and sends the recap where that is wanted.
        # @param send_mail [Boolean]
        # @return [Hash] {sent:, sheet_path:}
        # @raise [Problem] 422 when it is to be sent and there is no address
        def finish(send_mail:) = FinishLesson.new(@context, @id).call(send_mail: send_mail)

        private

        # What an act comes to is shown without reading it again.
        def act(more: nil)
          beside = nil
          read =
            lambda do |tables|
              beside = beside(tables)
              more&.call(tables)
            end
          change = @changes.act(@id, more: read) { |record| yield record }
          LessonJson.new(
            change.record,
            beside,
            @context.account_id,
            changed: change.told || []
          ).to_h
        end

        def beside(tables)
          row = Repositories::Students.new(tables).find(@id)
          LessonJson::Beside.new(
            row: row,
            may: Rights.with_student(@context, tables, row),
            lesson: Repositories::Lessons.new(tables, @context).today(@id),
            lent: Repositories::Lendings.new(tables, @context).out(@id)
          )
        end
      end
    end
  end
end
