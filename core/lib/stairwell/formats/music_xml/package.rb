# frozen_string_literal: true

require "stringio"
require "zip"

module Stairwell
  module Formats
    module MusicXML
      # Gets the score's text out of a file, unpacking a compressed one within
      # limits, whatever sizes it claims.
      module Package
        CONTAINER = "META-INF/container.xml"

        module_function

        # @param bytes [String]
        # @return [String] XML text
        # @raise [UnreadableError]
        def text(bytes)
          if bytes.empty?
            raise UnreadableError.new(
                    Phrase["formats.music_xml.package.the_file_is_empty"],
                    code: :empty
                  )
          end

          if bytes.bytesize > Constants::MOST_SCORE_BYTES
            raise UnreadableError.new(
                    Phrase[
                      "formats.music_xml.package.the_file_has_mb_a_score",
                      megabytes: megabytes(bytes.bytesize),
                      most: megabytes(Constants::MOST_SCORE_BYTES)
                    ],
                    code: :too_large
                  )
          end
          return bytes unless bytes.byteslice(0, 4) == "PK\x03\x04".b

          unpack(bytes)
        end

        # What ends a zip says how many entries it lists; they are counted before they are
        # listed (PKWARE's APPNOTE.TXT, 4.3.16, from memory; 64-bit archives say 65,535).
        LISTED = ["PK\x05\x06".b, 10, 2].freeze

        # @return [Integer] entries, as the archive says
        def listed(bytes)
          signature, at, size = LISTED
          place = bytes.b.rindex(signature)
          place ? bytes.byteslice(place + at, size).to_s.unpack1("v").to_i : 0
        end

        def unpack(bytes)
          if listed(bytes) > Constants::MOST_ENTRIES
            raise UnreadableError.new(
                    Phrase[
                      "formats.music_xml.package.too_many_entries",
                      most: Constants::MOST_ENTRIES
                    ],
                    code: :too_much_inside
                  )
          end
          Zip::File.open_buffer(StringIO.new(bytes)) do |zip|
            if zip.count > Constants::MOST_ENTRIES ||
                 zip.sum(&:size) > Constants::MOST_UNPACKED_BYTES
              raise UnreadableError.new(
                      Phrase[
                        "formats.music_xml.package.the_compressed_file_unpacks_to_more",
                        megabytes: megabytes(Constants::MOST_UNPACKED_BYTES)
                      ],
                      code: :too_much_inside
                    )
            end
            return entry(zip, score_name(zip))
          end
        rescue UnreadableError
          raise
          # Spoilt archives make the library stumble in ways of its own.
        rescue Zip::Error,
               Zlib::Error,
               TypeError,
               NoMethodError,
               ArgumentError,
               RangeError,
               EncodingError,
               IOError,
               SystemCallError => error
          raise UnreadableError.new(
                  Phrase[
                    "formats.music_xml.package.the_compressed_file_is_cut_off",
                    why: error.message.scrub.lines.first.to_s.strip
                  ],
                  code: :cut_off
                )
        end

        # The container names the score; without one the first that looks like it.
        def score_name(zip)
          if zip.find_entry(CONTAINER)
            named =
              Nokogiri
                .XML(entry(zip, CONTAINER)) { |config| config.nonet }
                .remove_namespaces!
                .at_xpath("//rootfile/@full-path")
                &.value
            return named if named && zip.find_entry(named)
          end
          found = zip.map(&:name).find { |name| name.match?(/\A(?!META-INF).*\.(musicxml|xml)\z/i) }
          found ||
            raise(
              UnreadableError.new(
                Phrase["formats.music_xml.package.the_compressed_file_holds_no_score"],
                code: :not_a_score
              )
            )
        end

        def entry(zip, name)
          limit = Constants::MOST_SCORE_BYTES
          text = zip.get_input_stream(name) { |stream| stream.read(limit + 1) }.to_s
          return text if text.bytesize <= limit

          raise UnreadableError.new(
                  Phrase[
                    "formats.music_xml.package.the_compressed_file_unpacks_to_more",
                    megabytes: megabytes(limit)
                  ],
                  code: :too_much_inside
                )
        end

        def megabytes(bytes) = (bytes / 1024.0 / 1024).ceil

        private_class_method :listed, :unpack, :score_name, :entry, :megabytes
      end
    end
  end
end
