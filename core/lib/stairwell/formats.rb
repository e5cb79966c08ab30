# frozen_string_literal: true

require "json"
require_relative "formats/music_xml"
require_relative "formats/page_script/problem"
require_relative "formats/page_script/result"
require_relative "formats/page_script"
require_relative "formats/student_list"
require_relative "formats/csv_table"
require_relative "formats/parcel"

module Stairwell
  # Text or bytes in, values out, and back.
  module Formats
    # Read when it is asked for: few need it.
    autoload :Calendar, File.expand_path("formats/calendar", __dir__)

    # What a piece is written as, by name.
    WRITTEN = {
      "script" => ->(map) { PageScript.write(map) },
      "map" => ->(map) { JSON.pretty_generate(Score::Document.dump(map)) },
      "musicxml" => ->(map) { MusicXML.write(map) }
    }.freeze

    # @param map [Score::Map]
    # @param kind [String] of {WRITTEN}
    # @return [String] text
    def self.write(map, kind) = WRITTEN.fetch(kind).call(map)

    # Reads a piece by what the bytes are: a score or a page script.
    #
    # @param bytes [String]
    # @param name [String] the file's name, for its ending
    # @param hands [Hash{Symbol => String}] see {MusicXML.read}
    # @return [Score::Map]
    # @raise [UnreadableError] naming the file's trouble; for a script the
    #   first line that was not understood
    def self.read(bytes, name:, hands: {})
      case File.extname(name).downcase
      when ".musicxml", ".xml", ".mxl"
        MusicXML.read(bytes, hands: hands)
      when ".json"
        Score::Document.read(bytes)
      when ".txt"
        PageScript.read!(bytes.dup.force_encoding(Encoding::UTF_8))
      else
        raise UnreadableError.new(
                Phrase["formats.has_an_ending_stairwell_does_not", basename: File.basename(name)],
                code: :unknown_kind
              )
      end
    end
  end
end
