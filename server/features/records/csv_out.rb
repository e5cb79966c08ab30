# frozen_string_literal: true

module Stairwell
  module Server
    module Features
      # What a studio holds as tables for a spreadsheet, or one student's.
      class CsvOut
        TABLES = %w[students results practice repertoire].freeze
        COLUMNS = {
          "students" => %i[
            name
            teacher
            class_name
            lesson_weekday
            lesson_time
            minutes_a_day
            practice_days
            email
            left_on
          ],
          "results" => %i[day student piece step result cause bar stumbles tempo note heard_by],
          "practice" => %i[day student piece step repetition struggle hurts],
          "repertoire" => %i[student piece book assigned_on due_on ended ended_on keep_for]
        }.freeze
        private_constant :COLUMNS

        # @param context [StudioContext]
        # @param student_id [Integer, nil] one alone
        def initialize(context, student_id = nil)
          @context = context
          @student_id = student_id
        end

        # @param table [String] of {TABLES}
        # @return [String] CSV
        def of(table)
          rows =
            @context.read do |tables|
              Repositories::Takeout.new(tables, @student_id).public_send(table)
            end
          columns = COLUMNS.fetch(table)
          Formats::CsvTable.write(
            columns.map { |column| Phrase["server.csv.#{column}"] },
            rows.lazy.map { |row| columns.map { |column| cell(row, column) } }
          )
        end

        private

        def cell(row, column)
          case column
          when :step
            step(row)
          when :lesson_weekday
            weekday(row[column])
          when :practice_days
            row[column].to_a.sort_by { |day| (day - 1) % 7 }.map { |day| weekday(day) }.join(" ")
          when :lesson_time
            row[column] && Repositories::Students.time(row[column])
          when :result
            Phrase["results.#{row[column]}"]
          else
            row[column]
          end
        end

        def step(row)
          title = row[:title].respond_to?(:to_hash) ? row[:title].to_hash : row[:title]
          title ? Phrase.unpack(title) : row[:step_id]
        end

        def weekday(number) = Phrase.weekday(number)
      end
    end
  end
end
