# frozen_string_literal: true

require "digest"
require "json"
require "json_schemer"
require "zip"

module Stairwell
  module Server
    module Features
      # An archive as it was brought: nothing of it is believed before its list fits the schema and
      # every file is what the list says. See docs/archive.md.
      class ArchiveFile
        SCHEMA =
          JSONSchemer.schema(
            Pathname(File.expand_path("../../../docs/archive-1.schema.json", __dir__))
          )
        private_constant :SCHEMA

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

        # @return [void]
        # @raise [Problem]
        def check!
          if list["files"].sum { |file| file["bytes"] } > Limits::ARCHIVE_UNPACKED
            raise self.class.damaged(Phrase["server.archive.too_much"])
          end

          list["files"].each { |file| whole!(file) }
        end

        # @return [Array<String>] tables
        def tables = list["files"].filter_map { |file| file["table"] }

        # @param table [String]
        # @return [Array<Hash{String=>Object}>] rows that all say the same columns
        def rows(table)
          file = list["files"].find { |one| one["table"] == table } or return []
          rows = json(file["name"], content(file))
          unless rows.is_a?(Array) && rows.all?(Hash) && rows.map(&:keys).uniq.size <= 1
            raise self.class.damaged(Phrase["server.archive.rows", file: file["name"]])
          end

          rows
        end

        # @param name [String]
        # @return [String] bytes
        # @raise [Problem]
        def file(name)
          found = list["files"].find { |one| one["name"] == name }
          content(found || raise(self.class.damaged(Phrase["server.archive.missing", file: name])))
        end

        private

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
