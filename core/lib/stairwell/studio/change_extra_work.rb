# frozen_string_literal: true

module Stairwell
  module Studio
    # Exercises and other work beside the pieces come, change and end.
    module ChangeExtraWork
      module_function

      # @param record [Record]
      # @param work [ExtraWork]
      # @return [Change]
      def add(record, work)
        work = work.with(since: record.today)
        Change.new(
          record: record.with(extra_work: [*record.extra_work, work]),
          extra_work: [[:add, work]]
        ).planned
      end

      # @return [Change]
      # @raise [MissingError]
      def change(record, work)
        work = work.with(since: known(record, work.id).since)
        all = record.extra_work.map { |one| (one.id == work.id) ? work : one }
        Change.new(record: record.with(extra_work: all), extra_work: [[:change, work]]).planned
      end

      # @return [Change]
      # @raise [MissingError]
      def finish(record, id)
        work = known(record, id)
        Change.new(
          record: record.with(extra_work: record.extra_work - [work]),
          extra_work: [[:finish, work]]
        ).planned
      end

      def known(record, id)
        record.extra_work.find { |one| one.id == id } ||
          raise(MissingError, Phrase["missing.extra_work"])
      end
      private_class_method :known
    end
  end
end
