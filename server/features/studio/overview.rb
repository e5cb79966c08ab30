# frozen_string_literal: true

module Stairwell
  module Server
    module Features
      # Every student of the studio at a glance. The same few statements however many
      # students there are: what a student's line shows is kept as a summary, made by jobs.
      class Overview
        # As long as the jobs have not come to a student.
        BLANK = {"pieces" => [], "practised" => {"done" => 0, "of" => 0}, "last_result" => nil, "concerns" => [], "outlooks" => []}.freeze

        # @param context [StudioContext]
        def initialize(context)
          @context = context
        end

        # @return [Array<Hash>] in the order of the week's lessons; see the contract's
        #   StudioRow
        def rows
          students, summaries = @context.read { |tables| [Repositories::Students.new(tables).list, Repositories::Summaries.new(tables, @context.today).all] }
          Jobs::Summarise.soon(@context, students.any? { |row| !summaries.dig(row[:id], :fresh) })
          students.map { |row| line(row, summaries[row[:id]]) }
        end

        # Makes the summaries of some students anew.
        # @param ids [Array<Integer>]
        # @return [void]
        def summarise(ids)
          made = Repositories::Records.new(@context).load(ids, pages: false).map { |record| [record.student.id, record.version, Phrase.pack(SummaryJson.of(Studio::Summary.of(record)))] }
          @context.write { |tables| made.each { |one| Repositories::Summaries.new(tables, @context.today).keep(*one) } }
        end

        private

        def line(row, summary)
          SettingsJson.of(row).slice(:id, :name, :lesson_weekday, :lesson_time, :class_name)
            .merge(teacher: row[:teacher], known: !summary.nil?, fresh: summary ? summary[:fresh] : false, **(summary ? Phrase.unpack_all(summary[:summary].to_hash) : BLANK).transform_keys(&:to_sym))
        end
      end
    end
  end
end
