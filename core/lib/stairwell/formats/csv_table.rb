# frozen_string_literal: true

module Stairwell
  module Formats
    # A table as comma-separated values by RFC 4180, which spreadsheets open: UTF-8 with its mark,
    # so that they read names as they are written.
    module CsvTable
      MARK = "\uFEFF"
      BREAK = "\r\n"
      # A cell that begins so is a formula for a spreadsheet, for some with signs of full width:
      # what a family typed is never run.
      FORMULA = /\A[=+\-@\uFF1D\uFF0B\uFF0D\uFF20\t\r\n]/
      QUOTED = /[",\r\n]/
      private_constant :MARK, :BREAK, :FORMULA, :QUOTED

      module_function

      # @param head [Array<#to_s>] names of the columns
      # @param rows [Enumerable<Array<Object>>] numbers stand as they are; nil is empty
      # @return [String]
      def write(head, rows) = rows.inject(MARK + line(head)) { |text, row| text << line(row) }

      def line(values) = values.map { |value| cell(value) }.join(",") << BREAK

      def cell(value)
        return value.to_s if value.is_a?(Numeric)

        text = value.to_s.delete("\u0000")
        text = "'#{text}" if text.match?(FORMULA)
        text.match?(QUOTED) ? "\"#{text.gsub("\"", "\"\"")}\"" : text
      end
      private_class_method :line, :cell
    end
  end
end
