# frozen_string_literal: true

require "json"

module Stairwell
  module Formats
    # Pages that one studio hands to another: bar ranges, signs, sections and the teacher's words of
    # each. What may be somebody's own goes only where whoever gives it says that they may: notes,
    # the words of a song, the number of a recording.
    #
    #   Parcel.read(Parcel.write([map]))       # => [map without its notes]
    #   Parcel.write([map], with: [:notes])
    module Parcel
      FORMAT = "stairwell-pages-1"
      # What goes only where it may.
      ASKED = %i[notes verses track].freeze

      module_function

      # @param maps [Array<Score::Map>]
      # @param with [Array<Symbol>] of {ASKED}
      # @return [String] JSON
      def write(maps, with: []) =
        JSON.pretty_generate(
          {
            "format" => FORMAT,
            "pages" => maps.map { |map| Score::Document.dump(given(map, with)) }
          }
        )

      # @param text [String]
      # @return [Array<Score::Map>]
      # @raise [UnreadableError] when it is no parcel, or a page of it cannot be
      def read(text)
        data =
          JSON.parse(
            text.dup.force_encoding(Encoding::UTF_8),
            max_nesting: Constants::PARCEL_NESTED
          )
        unless data.is_a?(Hash) && data["format"] == FORMAT && data["pages"].is_a?(Array)
          raise UnreadableError.new(Phrase["formats.parcel.is_none"], code: :parcel)
        end
        if data["pages"].size > Constants::MOST_PAGES_OF_A_PARCEL
          raise UnreadableError.new(
                  Phrase["formats.parcel.too_many", count: Constants::MOST_PAGES_OF_A_PARCEL],
                  code: :parcel
                )
        end

        data["pages"].map { |page| page(page) }
      rescue JSON::ParserError, EncodingError
        raise UnreadableError.new(Phrase["formats.parcel.is_none"], code: :parcel)
      end

      # What was written by hand may say more than a page can be.
      def page(data)
        map = Score::Document.take(data)
        if map.bars.empty? || map.title.to_s.strip.empty?
          raise UnreadableError.new(Phrase["formats.parcel.no_bars"], code: :parcel)
        end

        map
      end

      # Words of a song stand also in what was not understood, and where a phrase may not end.
      def given(map, with)
        markings = map.markings
        markings = markings.with(verses: []) unless with.include?(:verses)
        markings = markings.with(track: nil) unless with.include?(:track)
        map = map.with(markings: markings)
        map = map.with(notes: {}) unless with.include?(:notes)
        with.include?(:verses) ? map : map.with(unread: [], phrasing: Score::Phrasing.new)
      end
      private_class_method :given, :page
    end
  end
end
