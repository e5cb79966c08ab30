# frozen_string_literal: true

module Stairwell
  module Server
    module Features
      # Every student of the studio at a glance. The same few statements however many
      # students there are: what a student's line shows is kept as a summary, made by jobs.
      class Overview
        # As long as the jobs have not come to a student.
        BLANK = {
          "pieces" => [],
          "practised" => {
            "done" => 0,
            "of" => 0
          },
          "last_result" => nil,
          "concerns" => [],
          "outlooks" => []
        }.freeze

        # @param context [StudioContext]
        def initialize(context)
          @context = context
        end

        # @return [Array<Hash>] in the order of the week's lessons; see the contract's
        #   StudioRow
        def rows
          students, summaries =
            @context.read do |tables|
              [
                Repositories::Students.new(tables).list,
                Repositories::Summaries.new(tables, @context.today).all
              ]
            end
          Jobs::Summarise.soon(@context, students.any? { |row| !summaries.dig(row[:id], :fresh) })
          students.map { |row| line(row, summaries[row[:id]]) }
        end

        # Makes some summaries that are not fresh anew.
        # @return [Boolean] whether there were any
        def freshen
          ids =
            @context.read do |tables|
              Repositories::Summaries.new(tables, @context.today).stale(Limits::SUMMARIES_AT_ONCE)
            end
          summarise(ids) if ids.any?
          ids.any?
        end

        # Makes the summaries of some students anew.
        # @param ids [Array<Integer>]
        # @return [void]
        def summarise(ids)
          promised = nil
          records =
            Repositories::Records
              .new(@context)
              .load(ids, pages: false) do |tables|
                promised = Repositories::PromisedDates.new(tables).of(ids)
              end
          made =
            records.map do |record|
              [
                record.student.id,
                record.version,
                Phrase.pack(
                  SummaryJson.of(Studio::Summary.of(record, promised.fetch(record.student.id, [])))
                )
              ]
            end
          @context.write(about: (ids.size == 1) ? { student_id: ids.first } : {}) do |tables|
            made.each { |one| Repositories::Summaries.new(tables, @context.today).keep(*one) }
          end
        end

        # What was seen of all the students, and how their dates have held, together: from tomorrow
        # on, what follows from it.
        # @return [void]
        def learn
          kept = @context.read { |tables| Repositories::Summaries.new(tables, @context.today).seen }
          learnt = { seen: seen(kept).dump, promises: promises(kept).to_h }
          @context.write(about: nil) do |tables|
            Repositories::Learnt.new(tables).keep(learnt, @context.today)
          end
        end

        private

        def seen(kept) =
          kept
            .map { |row| Planning::Habit::Seen.load(row[:seen].to_h) }
            .inject(Planning::Habit::Seen.new, :+)

        def promises(kept) =
          kept
            .map { |row| Planning::Promises.load(row[:promises].to_h) }
            .inject(Planning::Promises.new, :+)

        # What the row is shown without.
        ASIDE = %w[seen promises].freeze
        private_constant :ASIDE

        def line(row, summary)
          SettingsJson
            .of(row)
            .slice(:id, :name, :lesson_weekday, :lesson_time, :class_name)
            .merge(
              teacher: row[:teacher],
              known: !summary.nil?,
              fresh: summary ? summary[:fresh] : false,
              **(
                summary ? Phrase.unpack_all(summary[:summary].to_hash.except(*ASIDE)) : BLANK
              ).transform_keys(&:to_sym)
            )
        end
      end
    end
  end
end
