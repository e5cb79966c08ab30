# frozen_string_literal: true

require "digest"
require "fileutils"
require "json"
require "json_schemer"
require "zip"

module Stairwell
  module Server
    module Features
      # An archive as it was brought: nothing of it is believed before its list fits the schema and
      # every file is what the list says. See docs/archive.md.
      #
      #   ArchiveFile.open(path) { |file| file.unpack(folder) }
      #
      # It is read by a process of its own ({ForeignFile.archive}), with an end to time and memory.
      class ArchiveFile
        SCHEMA =
          JSONSchemer.schema(
            Pathname(File.expand_path("../../../docs/archive-1.schema.json", __dir__))
          )
        # Names of files and tables that are written where they are loaded from.
        TABLE = /\A[a-z_]{1,60}\z/
        SCORE = %r{\Ascores/\d{1,18}-\d{1,9}\z}
        private_constant :SCHEMA, :TABLE, :SCORE

        # @param path [String]
        # @yieldparam file [ArchiveFile] checked
        # @return [Object] what the block gives
        # @raise [Problem] 422 where it is damaged, or of a newer Stairwell
        def self.open(path)
          Zip::File.open(path) { |zip| yield new(zip).tap(&:check!) }
        rescue Zip::Error, Zlib::Error, Errno::EINVAL, EOFError
          raise damaged(Phrase["server.archive.no_zip"])
        end

        # @param why [Phrase]
        # @return [Problem]
        def self.damaged(why) =
          Problem.new(422, Phrase["server.archive.damaged", why: why], code: "archive_damaged")

        # @param zip [Zip::File]
        def initialize(zip)
          @zip = zip
        end

        # @return [Hash{String=>Object}] see docs/archive-1.schema.json
        def list
          @list ||=
            json(Archive::LIST, bytes(Archive::LIST, Limits::ARCHIVE_LIST_BYTES)).tap do |list|
              newer!(list)
              wrong = SCHEMA.validate(list).first
              if wrong
                raise self.class.damaged(Phrase["server.archive.list", at: wrong["data_pointer"]])
              end
            end
        end

        # Writes what is in it where it can be loaded bit by bit: rows one a line in tables/NAME,
        # and scores/PIECE-REVISION as they are.
        # @param folder [String]
        # @return [Hash] {#list}
        # @raise [Problem]
        def unpack(folder)
          check!
          %w[tables scores].each { |name| FileUtils.mkdir_p(File.join(folder, name)) }
          list["files"].each do |file|
            next unpack_table(file, folder) if file["table"]&.match?(TABLE)

            score = file["name"][SCORE] or next
            File.binwrite(File.join(folder, score), content(file))
          end
          list
        end

        # @return [void]
        # @raise [Problem]
        def check!
          if list["files"].sum { |file| file["bytes"] } > Limits::ARCHIVE_UNPACKED
            raise self.class.damaged(Phrase["server.archive.too_much"])
          end

          list["files"].each { |file| whole!(file) }
        end

        private

        def unpack_table(file, folder)
          columns = nil
          File.open(File.join(folder, "tables", file["table"]), "w") do |out|
            rows(file) do |row|
              unless row.is_a?(Hash) && row.keys == (columns ||= row.keys)
                raise self.class.damaged(Phrase["server.archive.rows", file: file["name"]])
              end

              out.puts(JSON.generate(row))
            end
          end
        end

        # Where each row has a line of its own, as we write them, one is read after another.
        def rows(file, &)
          text = content(file).force_encoding(Encoding::UTF_8)
          first, *lines = text.split("\n")
          if first == "[" && lines.pop == "]" && lines.all? { |line| line.start_with?("{") }
            return lines.each { |line| yield json(file["name"], line.chomp(",")) }
          end

          found = json(file["name"], text)
          unless found.is_a?(Array)
            raise self.class.damaged(Phrase["server.archive.rows", file: file["name"]])
          end
          found.each(&)
        end

        def content(file) = bytes(file["name"], file["bytes"])

        def whole!(file)
          print = Digest::SHA256.hexdigest(content(file))
          unless print == file["sha256"]
            raise self.class.damaged(Phrase["server.archive.changed", file: file["name"]])
          end
        end

        # What a file claims to come to unpacked is not believed.
        def bytes(name, most)
          entry = @zip.find_entry(name)
          raise self.class.damaged(Phrase["server.archive.missing", file: name]) unless entry&.file?

          found = entry.get_input_stream { |stream| stream.read(most + 1) }.to_s
          if found.bytesize > most
            raise self.class.damaged(Phrase["server.archive.changed", file: name])
          end

          found
        end

        def json(name, bytes)
          JSON.parse(bytes.dup.force_encoding(Encoding::UTF_8), max_nesting: Limits::ARCHIVE_NESTED)
        rescue JSON::ParserError, EncodingError
          raise self.class.damaged(Phrase["server.archive.no_json", file: name])
        end

        def newer!(list)
          format, shape = list.is_a?(Hash) ? list.values_at("format", "shape") : nil
          return if format == Archive::FORMAT && shape.is_a?(Integer) && shape <= Archive::SHAPE
          unless format.to_s.start_with?("stairwell-archive-")
            raise self.class.damaged(Phrase["server.archive.no_archive"])
          end

          raise Problem.new(422, Phrase["server.archive.newer"], code: "archive_newer")
        end
      end
    end
  end
end
