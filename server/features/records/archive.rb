# frozen_string_literal: true

require "digest"
require "tempfile"
require "zip"

module Stairwell
  module Server
    module Features
      # All that a studio holds, as one file: rows as JSON by table, scores as they were loaded,
      # tables for a spreadsheet, and a list of all that with what each file's bytes come to. See
      # docs/archive.md.
      class Archive
        FORMAT = "stairwell-archive-1"
        # The shape of the tables an archive is made of: the newest migration's number.
        SHAPE =
          Dir[File.expand_path("../../../db/migrations/*.rb", __dir__)]
            .map { |file| File.basename(file).to_i }
            .max
        LIST = "archive.json"

        # @param score [Hash]
        # @return [String] where its file lies
        def self.score(score) = "scores/#{score.fetch(:piece_id)}-#{score.fetch(:revision)}"

        # @param context [StudioContext]
        def initialize(context)
          @context = context
        end

        # Rows go to a file as they are read, and the file to the client bit by bit: neither waits
        # for the other, and none of it is in memory as a whole.
        # @return [#each] bytes of the whole file, which is gone afterwards
        def sent
          file = Tempfile.new(%w[studio .zip], binmode: true)
          Zip::OutputStream.open(file.path) { |zip| fill(zip) }
          Sent.new(file)
        rescue StandardError
          file&.close!
          raise
        end

        # A file on its way.
        class Sent
          BYTES = 256 * 1024
          private_constant :BYTES

          # @param file [Tempfile]
          def initialize(file)
            @file = file.tap(&:open)
          end

          # @yieldparam bytes [String]
          def each
            while (bytes = @file.read(BYTES))
              yield bytes
            end
          end

          # As Rack says it is done.
          def close = @file.close!
        end

        private

        # All rows are of one moment, however long it takes; the tables for a spreadsheet are made
        # right after.
        def fill(zip)
          @zip = zip
          @files = []
          list =
            @context.read do |tables|
              # Packing takes its time between two fetches.
              tables.db.run("SET LOCAL idle_in_transaction_session_timeout = 0")
              rows(Repositories::Archived.new(tables))
            end
          CsvOut::TABLES.each do |table|
            put("csv/#{table}.csv") { |out| out.call(CsvOut.new(@context).of(table)) }
          end
          put(LIST, listed: false) do |out|
            out.call(JSON.pretty_generate(list.merge(files: @files)))
          end
        end

        def rows(archived)
          archived.names.each do |name|
            put("tables/#{name}.json", table: name) { |out| table(archived, name, out) }
          end
          archived.each_score do |score|
            put(self.class.score(score)) { |out| out.call(score[:content]) }
          end
          {
            format: FORMAT,
            shape: SHAPE,
            made_at: @context.clock.now.utc.iso8601,
            by: @context.account_id,
            studio: archived.studio,
            people: archived.people.map { |row| plain(row) },
            erasures: archived.erasures.map { |row| plain(row) },
            linked: archived.linked
          }
        end

        def table(archived, name, out)
          between = "["
          archived.each(name) do |row|
            out.call("#{between}\n#{JSON.generate(row)}")
            between = ","
          end
          out.call((between == "[") ? "[]\n" : "\n]\n")
        end

        def put(name, listed: true, table: nil)
          @zip.put_next_entry(name)
          print, bytes = Digest::SHA256.new, 0
          yield(
            lambda do |text|
              print << text
              bytes += text.bytesize
              @zip << text
            end
          )
          if listed
            @files << {
              name: name,
              bytes: bytes,
              sha256: print.hexdigest,
              **{ table: table }.compact
            }
          end
        end

        def plain(row) =
          row.transform_values { |value| value.is_a?(Time) ? value.iso8601(6) : value }
      end
    end
  end
end
