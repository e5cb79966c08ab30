# frozen_string_literal: true

require "nokogiri"
require_relative "music_xml/package"
require_relative "music_xml/phrase_book"
require_relative "music_xml/jumps"
require_relative "music_xml/unread"
require_relative "music_xml/transposition"
require_relative "music_xml/note_marks"
require_relative "music_xml/carried"
require_relative "music_xml/event"
require_relative "music_xml/measure"
require_relative "music_xml/hands"
require_relative "music_xml/heading"
require_relative "music_xml/beside_notes"
require_relative "music_xml/plain_notes"
require_relative "music_xml/crossing"
require_relative "music_xml/within_reach"
require_relative "music_xml/marks"
require_relative "music_xml/tempos"
require_relative "music_xml/inner_lines"
require_relative "music_xml/signs"
require_relative "music_xml/reader"
require_relative "music_xml/directions"
require_relative "music_xml/note_writer"
require_relative "music_xml/writer"

module Stairwell
  module Formats
    # Scores in MusicXML 4.0, plain and compressed.
    module MusicXML
      # @param bytes [String] a .musicxml, .xml or .mxl file
      # @param hands [Hash{Symbol => String}] where :right and :left are written, as a person says
      #   it
      # @return [Score::Map]
      # @raise [UnreadableError] with code :too_large, :not_a_score, :cut_off,
      #   :entities, :too_much_inside, :too_much, :empty or :too_many_bars
      def self.read(bytes, hands: {}) =
        Score::Bounds.check(Reader.new(document(Package.text(bytes)), hands: hands).map)

      # @param bytes [String] as for {read}
      # @return [Array<Hash{Symbol => Object}>] every staff that can be a hand, see {Hands#staves}
      # @raise [UnreadableError] as {read}
      def self.staves(bytes) = Reader.new(document(Package.text(bytes))).staves

      # Entities and outside references stay off: a score has no use for them.
      #
      # @param text [String]
      # @return [Nokogiri::XML::Document]
      def self.document(text)
        if text.strip.empty?
          raise UnreadableError.new(Phrase["formats.music_xml.the_file_is_empty"], code: :empty)
        end

        # Each element opens one bracket or two: counted before any is made.
        if text.count("<") > Constants::MOST_TAGS
          raise UnreadableError.new(
                  Phrase["formats.music_xml.too_many_tags", most: Constants::MOST_TAGS],
                  code: :too_much
                )
        end
        document = Nokogiri.XML(text) { |config| config.strict.nonet.noblanks.compact }
        if document.internal_subset&.children&.any?
          raise UnreadableError.new(
                  Phrase["formats.music_xml.the_file_declares_entities_of_its"],
                  code: :entities
                )
        end
        document
      rescue Nokogiri::XML::SyntaxError => error
        raise UnreadableError.new(
                Phrase[
                  "formats.music_xml.damaged",
                  line: error.line,
                  why:
                    error.message.scrub[/(?:ERROR|FATAL): (.*)/, 1] ||
                      Phrase["formats.music_xml.not_well_formed"]
                ],
                code: :cut_off
              )
      end
    end
  end
end
