# frozen_string_literal: true

require_relative "background"

module Stairwell
  module Server
    module Jobs
      # Tells, and later erases, what is kept of one who has left: on the day there is something to
      # be done.
      class EndKeeping < Que::Job
        # Puts it for that day, in place of the one that lies there.
        # @param tables [Tables]
        # @param student_id [Integer]
        # @param day [Date, nil] nil where nothing is to be done
        # @return [void]
        def self.lay(tables, student_id, day)
          tables.db[:que_jobs]
            .where(job_class: name, finished_at: nil)
            .where(Sequel.lit("args = ?::jsonb", "[#{tables.studio_id}, #{student_id}]"))
            .delete
          return unless day

          # At noon it is that day wherever the studio is.
          tables.db[:que_jobs].insert(
            job_class: name,
            args: Sequel.lit("?::jsonb", "[#{tables.studio_id}, #{student_id}]"),
            kwargs: Sequel.lit("'{}'::jsonb"),
            run_at: Time.utc(day.year, day.month, day.day, 12),
            job_schema_version: Que.job_schema_version
          )
        end

        # @param studio_id [Integer]
        # @param student_id [Integer]
        def run(studio_id, student_id)
          context = Jobs.contexts.of_studio(studio_id)
          Locales.with(context.locale) { Features::Keeping.new(context).tend(student_id) }
        end
      end
    end
  end
end
