# frozen_string_literal: true

module Stairwell
  module Server
    module Repositories
      # The teacher's own exercises and other work beside the pieces.
      class ExtraWorks
        # @param tables [Tables]
        def initialize(tables)
          @tables = tables
        end

        # @param student_id [Integer]
        # @param verb [Symbol] :add, :change or :finish
        # @param work [Studio::ExtraWork]
        # @param today [Date]
        # @return [void]
        def keep(student_id, verb, work, today)
          own = @tables[:extra_work].where(student_id: student_id, id: work.id)
          case verb
          when :add then @tables.db[:extra_work].overriding_system_value.insert(studio_id: @tables.studio_id, student_id: student_id, id: work.id, key: work.key, **columns(work))
          when :change then own.update(columns(work))
          when :finish then own.update(ended_on: today)
          end
        end

        # @param key [String, nil] from the client
        # @return [Boolean] whether it was added already
        # @raise [Problem] 409 when it is the key of another student's
        def key?(student_id, key)
          return false unless key

          owner = @tables[:extra_work].where(key: key).get(:student_id)
          raise Problem.key_used if owner && owner != student_id

          owner == student_id
        end

        # @param row [Hash]
        # @return [Studio::ExtraWork]
        def self.value(row)
          Studio::ExtraWork.new(**row.slice(:id, :kind, :title, :times), minutes: row[:minutes].to_r, one_of: row[:one_of].to_a)
        end

        private

        def columns(work) = {kind: work.kind, title: work.title, minutes: work.minutes.to_f, times: work.times, one_of: Sequel.pg_array(work.one_of, :text)}
      end
    end
  end
end
