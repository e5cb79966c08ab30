# frozen_string_literal: true

module Stairwell
  module Server
    module Features
      # Exercises and other work beside the pieces of a student.
      class ExtraWork
        # @param context [StudioContext]
        def initialize(context)
          @context = context
          @changes = Repositories::Changes.new(context)
        end

        # @return [Hash] what was given before, to whomever in the studio
        def given =
          {
            given:
              @context
                .read { |tables| Repositories::ExtraWorks.new(tables).given(Limits::GIVEN) }
                .map { |one| StudentJson.extra_work(one) }
          }

        # @return [Hash] the student
        # @raise [Problem] where the keys make no sense
        def add(id, values)
          work = work(@context.next_id(:extra_work), values)
          known = nil
          act(
            id,
            more: ->(tables) { known = Repositories::ExtraWorks.new(tables).key?(id, work.key) }
          ) do |record|
            known ? Studio::Change.new(record: record) : Studio::ChangeExtraWork.add(record, work)
          end
        end

        # @return [Hash] the student
        # @raise [Problem] where the keys make no sense
        def change(id, work_id, values)
          work = work(work_id, values)
          act(id) { |record| Studio::ChangeExtraWork.change(record, work) }
        end

        # @return [Hash] the student
        def finish(id, work_id) =
          act(id) { |record| Studio::ChangeExtraWork.finish(record, work_id) }

        # An exercise of every day.
        # @return [Integer] its id
        def exercise(id, title:, minutes:, key:)
          number = @context.next_id(:extra_work)
          given =
            work(number, { kind: "exercise", title: title, minutes: minutes, times: 7, key: key })
          keep = yield(number) if block_given?
          @changes.act(id, keep: keep) { |record| Studio::ChangeExtraWork.add(record, given) }
          number
        end

        private

        def act(id, **how, &)
          @changes.act(id, **how, &)
          Students.new(@context).show(id)
        end

        def work(id, values)
          keys = values[:keys].to_a
          wrong = keys.find { |name| Score::Key.parse(name).nil? }
          if wrong
            raise Problem.new(
                    422,
                    Phrase["server.extra_work.no_key", key: wrong],
                    code: "key",
                    field: "keys"
                  )
          end
          if values[:higher] && keys.size != 1
            raise Problem.new(
                    422,
                    Phrase["server.extra_work.higher_from_one"],
                    code: "higher",
                    field: "higher"
                  )
          end

          Studio::ExtraWork.new(
            id: id,
            minutes: Rational(values[:minutes].to_s),
            **values.except(:minutes)
          )
        end
      end
    end
  end
end
