# frozen_string_literal: true

module Stairwell
  module Server
    module Repositories
      # What happened, from the tables that are only added to, in one statement: marks,
      # results, introductions, simplifications, and the days on which something was
      # practised. In Ruby they become the core's events.
      class Happened
        # Days of practice that are read of pieces that ended: as far back as what is
        # computed from them.
        DAYS = 7 * (Constants::LONG_RUN_WEEKS + 1)

        # @param tables [Tables]
        # @param student_ids [Array<Integer>]
        # @param assignment_ids [Array<Integer>] whose marks are wanted
        # @param today [Date]
        # @return [Array<Hash>] rows with :event, :student_id, :assignment_id, :key, :name,
        #   :day, :value, :at, :undoes, :bar, :entered, :tapped, :asked, :details
        def self.rows(tables, student_ids, assignment_ids, today)
          tables.statement(
            :happened,
            Tables.ids(student_ids),
            Tables.ids(assignment_ids),
            today - DAYS
          ) do |all, students, assignments, since|
            of_students = ->(table) { all[table].where(student_id: Tables.any(students)) }
            selected =
              PARTS.map do |table, part|
                rows = of_students[table]
                part(
                  part[:marks] ? rows.where(assignment_id: Tables.any(assignments)) : rows,
                  table,
                  part
                )
              end
            days = of_students[:practice_marks].where(Sequel[:day] >= since).distinct
            selected << days.select(
              Sequel.as("practised", :event),
              :student_id,
              *NONE.first(3),
              :day,
              *NONE.drop(3)
            )
            selected.inject { |one, other| one.union(other, all: true, from_self: false) }
          end
        end

        NULLS = {
          assignment_id: :bigint,
          key: :uuid,
          name: :text,
          day: :date,
          value: :text,
          at: :timestamptz,
          undoes: :uuid,
          bar: :integer,
          entered: :boolean,
          tapped: :timestamptz,
          asked: :integer,
          details: :jsonb
        }.freeze
        NONE = NULLS.except(:day).map { |name, type| Sequel.cast(nil, type).as(name) }.freeze
        DETAILS =
          Sequel.function(
            :jsonb_build_object,
            "cause",
            :cause,
            "stumbles",
            :stumbles,
            "tempo",
            :tempo,
            "note",
            :note,
            "by",
            :recorded_by,
            "name",
            Sequel.lit("(SELECT name FROM accounts WHERE accounts.id = lesson_results.recorded_by)")
          )
        # What each table gives.
        PARTS = {
          practice_marks: {
            marks: true,
            name: :step_id,
            day: :day,
            value: :kind,
            undoes: :undoes,
            entered: Sequel.~(entered_by: nil),
            tapped: :tapped_at,
            asked: :asked
          },
          lesson_results: {
            name: :step_id,
            day: :day,
            value: :result,
            bar: :bar,
            details: DETAILS
          },
          introductions: {
            name: :what,
            day: :day,
            value: Sequel.cast(:introduced, :text)
          },
          simplifications: {
            name: :step_id,
            value: :form,
            bar: :bar
          }
        }.freeze
        private_constant :NULLS, :NONE, :DETAILS, :PARTS

        def self.part(rows, table, said)
          rows.select(
            Sequel.as(table.to_s, :event),
            :student_id,
            :assignment_id,
            :key,
            Sequel.as(said[:name], :name),
            column(said, :day),
            Sequel.as(said[:value], :value),
            Sequel.as(:made_at, :at),
            column(said, :undoes),
            column(said, :bar),
            column(said, :entered),
            column(said, :tapped),
            column(said, :asked),
            column(said, :details)
          )
        end

        def self.column(said, name) =
          (said[name] || Sequel.cast(nil, NULLS.fetch(name))).then do |value|
            Sequel.as(value, name)
          end
        private_class_method :part, :column

        # @param rows [Array<Hash>] of one student
        # @param account_id [Integer, nil] who looks
        def initialize(rows, account_id)
          @rows = rows
          @by = rows.group_by { |row| row[:event] }
          @by.default = []
          @account_id = account_id
        end

        # @param date [Date]
        # @return [Integer] how many came in of days before it: late ones too
        def marks_before(date) = @by["practice_marks"].count { |row| row[:day] < date }

        # @return [Hash{Integer => Array}] the core's events by assignment
        def events
          found = Hash.new { |all, id| all[id] = [] }
          @rows.each { |row| (event = event(row)) && found[row[:assignment_id]] << event }
          found.tap { found.default = nil }
        end

        # @return [Array<Date>]
        def practised_on = @by["practised"].map { |row| row[:day] }.sort

        # @return [Array<Date>] with a result
        def lessons = results.map { |row| row[:day] }.uniq.sort

        # @return [Set<String>] keys of marks that were entered by a teacher
        def ticked = @by["practice_marks"].select { |row| row[:entered] }.to_set { |row| row[:key] }

        # @return [Set<String>]
        def keys = Set.new(@rows.filter_map { |row| row[:key] })

        # @return [Array<String>] what was introduced on a day and not taken back
        def introduced_on(day)
          @by["introductions"]
            .select { |row| row[:day] == day }
            .sort_by { |row| row[:at] }
            .to_h { |row| [row[:name], row[:value] == "true"] }
            .select { |_, on| on }
            .keys
        end

        # @return [Hash{Array(Integer, String) => Studio::HeardToday}] the last word of each
        #   step on a day
        def heard_on(day)
          results
            .select { |row| row[:day] == day }
            .sort_by { |row| row[:at] }
            .to_h do |row|
              said = row[:details]
              by = said["name"] unless said["by"] == @account_id
              [
                [row[:assignment_id], row[:name]],
                Studio::HeardToday.new(
                  result: row[:value].to_sym,
                  by: by,
                  bar: row[:bar],
                  **said.slice("cause", "stumbles", "tempo", "note").transform_keys(&:to_sym)
                )
              ]
            end
        end

        # @return [Hash{Array(Integer, Integer) => Set<Date>}] days on which a bar was shaky or
        #   did not go
        def stumbled
          results
            .select { |row| row[:bar] && %w[not_yet shaky].include?(row[:value]) }
            .group_by { |row| [row[:assignment_id], row[:bar]] }
            .transform_values { |rows| rows.to_set { |row| row[:day] } }
        end

        # @return [Time, nil] of the last of it
        def last = @rows.filter_map { |row| row[:at] }.max

        private

        def results = @by["lesson_results"]

        def event(row)
          case row[:event]
          when "practice_marks"
            Progress::Mark.new(
              key: row[:key],
              step_id: row[:name],
              date: row[:day],
              kind: row[:value].to_sym,
              at: row[:at],
              undoes: row[:undoes],
              tapped_at: row[:tapped],
              asked: row[:asked]
            )
          when "lesson_results"
            Progress::LessonResult.new(
              step_id: row[:name],
              date: row[:day],
              result: row[:value].to_sym,
              at: row[:at],
              key: row[:key],
              tempo: row[:details]&.fetch("tempo", nil)
            )
          when "introductions"
            Progress::Introduction.new(
              what: row[:name],
              introduced: row[:value] == "true",
              at: row[:at],
              key: row[:key]
            )
          when "simplifications"
            Progress::Simplified.new(
              step_id: row[:name],
              form: row[:value].to_sym,
              at: row[:at],
              bar: row[:bar],
              key: row[:key]
            )
          end
        end
      end
    end
  end
end
