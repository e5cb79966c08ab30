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
          when :add
            @tables.db[:extra_work].insert(
              studio_id: @tables.studio_id,
              student_id: student_id,
              id: work.id,
              key: work.key,
              **columns(work)
            )
          when :change
            own.update(columns(work))
          when :finish
            own.update(ended_on: today)
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
          Studio::ExtraWork.new(
            **row.slice(:id, :kind, :title, :times, :higher, :since),
            minutes: row[:minutes].to_r,
            one_of: row[:one_of].to_a,
            keys: row[:keys].to_a,
            hands: row[:hands].to_a
          )
        end

        # @param limit [Integer]
        # @return [Array<Studio::ExtraWork>] what was given to anyone in the studio, each once, the
        #   newest first
        def given(limit)
          what = %i[kind title minutes times one_of keys hands higher]
          newest = @tables[:extra_work].distinct(*what).order(*what, Sequel.desc(:id))
          newest.from_self.order(Sequel.desc(:id)).limit(limit).map { |row| self.class.value(row) }
        end

        private

        def columns(work)
          lists = %i[one_of keys hands].to_h { |name| [name, Sequel.pg_array(work[name], :text)] }
          work
            .to_h
            .slice(:kind, :title, :times, :higher, :since)
            .merge(minutes: work.minutes.to_f, **lists)
        end
      end
    end
  end
end
