# frozen_string_literal: true

require "zip"

module Stairwell
  module Server
    module Features
      # All that is kept of one student, to be handed over: rows as JSON, tables for a spreadsheet,
      # the week and what was told as PDF.
      class StudentZip
        FORMAT = "stairwell-student-1"
        TABLES = CsvOut::TABLES - ["students"]
        private_constant :TABLES

        # @param context [StudioContext]
        # @param id [Integer]
        def initialize(context, id)
          @context = context
          @id = id
        end

        # @return [String] a zip
        # @raise [MissingError]
        def to_s
          rows =
            @context.read do |tables|
              Repositories::Students.new(tables).find(@id) &&
                Repositories::StudentRecord.new(tables, @id).to_h
            end
          files = {
            "student.json" => document(rows),
            "recaps.pdf" =>
              RecapsPdf.new(rows["students"].first[:name], rows.fetch("lessons", [])).to_s,
            "week.pdf" => week
          }
          TABLES.each { |table| files["#{table}.csv"] = CsvOut.new(@context, @id).of(table) }
          zipped(files)
        end

        private

        def document(rows) =
          JSON.pretty_generate(
            format: FORMAT,
            made_at: @context.clock.now.utc.iso8601,
            studio: @context.studio[:name],
            tables: rows
          )

        def week
          record = Repositories::Records.new(@context).load([@id]).first
          WeekPdf.new([SheetJson.new(Studio::Sheet.new(record, newest: true)).to_h]).to_s
        end

        def zipped(files)
          Zip::OutputStream
            .write_buffer do |zip|
              files.each do |name, bytes|
                zip.put_next_entry(name)
                zip.write(bytes)
              end
            end
            .string
        end
      end
    end
  end
end
