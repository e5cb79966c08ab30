# frozen_string_literal: true

require "csv"
require_relative "student_list/line"
require_relative "student_list/cells"

module Stairwell
  module Formats
    # A list of students as a spreadsheet saves it: CSV (RFC 4180), with commas, semicolons
    # or tabs. The first line names the columns, in any order, in any language there is a
    # locale for; what a line leaves out is as for a new student.
    class StudentList
      # Columns and what a cell of each says.
      COLUMNS = %i[
        name
        lesson_weekday
        lesson_time
        lesson_minutes
        minutes_a_day
        practice_days
        email
        class_name
        begin_per_day
      ].freeze
      NEEDED = %i[name lesson_weekday lesson_time].freeze
      # What is taken where nothing is said, besides practice on every day but the lesson's.
      # Own choice, as the form's.
      USUAL = { minutes_a_day: 20, hand_order: "right" }.freeze

      # @param text [String]
      # @return [StudentList]
      # @raise [UnreadableError] where it is no such list
      def self.read(text)
        text = text.delete_prefix("\uFEFF")
        if text.strip.empty?
          raise UnreadableError.new(Phrase["formats.student_list.empty"], code: :empty)
        end

        table = CSV.parse(text, col_sep: separator(text), skip_blanks: true)
        new(table.map { |row| row.map { |cell| cell&.strip } })
      rescue CSV::MalformedCSVError => error
        raise UnreadableError.new(
                Phrase["formats.student_list.damaged", line: error.lineno],
                code: :damaged
              )
      end

      # The one that divides the first line most.
      def self.separator(text) =
        text.lines.first.then { |head| [",", ";", "\t"].max_by { |one| head.count(one) } }
      private_class_method :separator

      # @return [Array<Symbol>] columns that are read
      attr_reader :columns
      # @return [Array<String>] columns that are passed over
      attr_reader :unknown
      # @return [Array<Line>]
      attr_reader :lines

      def initialize(table)
        head, *rows = table
        if rows.size > Constants::MOST_STUDENT_LINES
          raise UnreadableError.new(
                  Phrase["formats.student_list.too_many", most: Constants::MOST_STUDENT_LINES],
                  code: :too_many
                )
        end

        if head.size > Constants::MOST_STUDENT_COLUMNS
          raise UnreadableError.new(
                  Phrase[
                    "formats.student_list.too_wide",
                    count: head.size,
                    most: Constants::MOST_STUDENT_COLUMNS
                  ],
                  code: :too_wide
                )
        end

        found = head.map { |text| Cells.column(text.to_s) }
        @columns = found.compact.uniq
        @unknown =
          head.zip(found).filter_map { |text, column| text if column.nil? && !text.to_s.empty? }
        missing = NEEDED - @columns
        if missing.any?
          raise UnreadableError.new(
                  Phrase[
                    "formats.student_list.columns_missing",
                    names:
                      Phrase.list(
                        missing.map { |column| Phrase["formats.student_list.columns.#{column}"] }
                      )
                  ],
                  code: :columns
                )
        end

        @lines =
          rows.each_with_index.map do |row, at|
            line(found.zip(row).to_h.compact.slice(*COLUMNS), at + 2)
          end
      end

      private

      def line(cells, number)
        values = {}
        troubles =
          cells.filter_map do |column, text|
            next if text.to_s.empty?

            values[column] = Cells.public_send(column, text)
            nil
          rescue ArgumentError
            Phrase["formats.student_list.unclear.#{column}", text: text[0, 60]]
          end
        troubles +=
          (NEEDED - cells.reject { |_, text| text.to_s.empty? }.keys).map do |column|
            Phrase[
              "formats.student_list.lacks",
              column: Phrase["formats.student_list.columns.#{column}"]
            ]
          end
        Line.new(
          number: number,
          name: cells[:name].to_s,
          troubles: troubles,
          values: troubles.empty? ? whole(values) : nil
        )
      end

      def whole(values)
        { **USUAL, practice_days: (0..6).to_a - [values[:lesson_weekday]], **values }
      end
    end
  end
end
