# frozen_string_literal: true

module Stairwell
  module Server
    module Services
      # Pieces of the library: bring in, look at, change.
      class Library
        # Endings of files that are loaded: scores, and maps as exported.
        KINDS = %w[.musicxml .xml .mxl .json].freeze

        def initialize(desk)
          @desk = desk
          @pieces = Models::Pieces.new(desk)
        end

        # @return [Array<Hash>] as on the shelf: by book, then by page
        def list
          maps = @pieces.newest_maps
          cards = @pieces.list.map { |row| card(row, maps.fetch(row[:id])) }
          cards.sort_by { |card| [card[:book] ? 0 : 1, card[:book].to_s, card[:pages].first || 0, card[:title]] }
        end

        # @param bytes [String] a score file as uploaded
        # @param name [String] its name
        # @return [Hash]
        # @raise [Problem] 422 when it is no readable score; nothing is saved
        def load_score(bytes, name)
          unless KINDS.include?(File.extname(name).downcase)
            raise Problem.new(422, "“#{name}” does not end in .musicxml, .xml, .mxl or .json. Export the piece as MusicXML, or as a map out of Stairwell, and load that file.",
              code: "unknown_kind", field: "name")
          end
          map = Formats.read(bytes, name: name)
          row = @pieces.add(shorten(map))
          @pieces.keep_score(row[:id], name, bytes) unless File.extname(name).casecmp?(".json")
          Workbench.new(@desk, row[:id]).show
        end

        # @param script [String]
        # @return [Hash]
        # @raise [Problem] 422 when the script does not give a page
        def type_piece(script)
          map = self.class.read_script(script).map || raise(self.class.no_page)
          Workbench.new(@desk, @pieces.add(shorten(map), script: script)[:id]).show
        end

        # @return [Hash] {piece:, problems:}; nothing is saved
        def try_script(script)
          result = self.class.read_script(script)
          {piece: result.map && Views::Piece.new(result.map).to_h, problems: result.problems.map(&:to_h)}
        end

        # @return [Formats::PageScript::Result]
        def self.read_script(script) = Formats::PageScript.read(script)

        # @return [Problem]
        def self.no_page
          Problem.new(422, "The script does not say how many bars there are. Add a line such as “page 12: 4 4 4 4” or “bars: 16”.",
            code: "no_page", field: "script")
        end

        private

        # Titles come from files; the shelf holds 200 letters.
        def shorten(map) = map.with(title: map.title[0, 200], book: map.book&.slice(0, 200))

        def card(row, map)
          reading = Roadmap.read(map)
          {
            id: row[:id], title: row[:title], book: row[:book], pages: map.pages.map(&:number), bars_printed: reading.bars_printed,
            bars_played: reading.bars_played, new_bars: Sections.new_share(map).new_bars.round, sections: map.sections.map(&:label),
            meters: map.meters.map(&:to_s), keys: map.keys.map(&:to_s), target_tempo: map.target_tempo.round
          }
        end
      end
    end
  end
end
