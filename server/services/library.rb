# frozen_string_literal: true

module Stairwell
  module Server
    module Services
      # Pieces of the library: bring in, look at, change.
      class Library
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

        # @return [Hash] the piece as {Views::Piece} shows it
        def show(id)
          row = @pieces.find(id)
          whole(row, @pieces.map(id, row[:revision]))
        end

        # @param bytes [String] a score file as uploaded
        # @param name [String] its name
        # @return [Hash]
        # @raise [Problem] 422 when it is no readable score; nothing is saved
        def load_score(bytes, name)
          unless %w[.musicxml .xml .mxl].include?(File.extname(name).downcase)
            raise Problem.new(422, "“#{name}” does not end in .musicxml, .xml or .mxl. Export the piece as MusicXML and load that file.",
              code: "unknown_kind", field: "name")
          end
          map = Formats.read(bytes, name: name)
          row = @pieces.add(shorten(map))
          @pieces.keep_score(row[:id], name, bytes)
          whole(row, map)
        end

        # @param script [String]
        # @return [Hash]
        # @raise [Problem] 422 when the script does not give a page
        def type_piece(script)
          map = self.class.read_script(script).map || raise(no_page)
          whole(@pieces.add(shorten(map)), map)
        end

        # @return [Hash] {piece:, problems:}; nothing is saved
        def try_script(script)
          result = self.class.read_script(script)
          {piece: result.map && Views::Piece.new(result.map).to_h, problems: result.problems.map(&:to_h)}
        end

        # @param seen [Integer] the revision the client saw
        # @return [Hash]
        def change_script(id, script, seen:)
          map = self.class.read_script(script).map || raise(no_page)
          before = @pieces.map(id, @pieces.find(id)[:revision])
          # What only the score knows stays, as long as the bars do.
          map = map.with(notes: before.notes, unread: before.unread) if map.bars.map(&:length) == before.bars.map(&:length)
          revise(id, map, seen)
        end

        # @param sections [Array<Hash>] :label, :spans [{from:, to:}], :words
        # @return [Hash]
        # @raise [Problem] 422 naming the section that makes no sense
        def change_sections(id, sections, seen:)
          before = @pieces.map(id, @pieces.find(id)[:revision])
          made = sections.each_with_index.map { |one, at| section(before, one, at) }
          revise(id, before.with(sections: made.sort_by { |one| one.spans.first.from }), seen)
        end

        # @param seen [Integer] the revision the client saw
        # @return [Hash]
        # @raise [Problem] 409 when the piece has sections by now
        def suggest_sections(id, seen:)
          before = @pieces.map(id, @pieces.find(id)[:revision])
          if before.sections.any?
            raise Problem.new(409, "This piece has sections already. Take them away first, or change them on the page.", code: "has_sections")
          end
          revise(id, before.with(sections: Sections.suggest(before)), seen)
        end

        # @return [Formats::PageScript::Result]
        def self.read_script(script) = Formats::PageScript.read(script)

        private

        def section(map, one, at)
          spans = one[:spans].map { |span| Score::Span.new(from: span[:from], to: span[:to]) }
          outside = spans.find { |span| span.from > span.to || span.to > map.bars.size }
          raise UnreadableError, "Section #{one[:label]} runs past the piece, which has #{map.bars.size} bars." if outside

          Formats::PageScript.section(map, label: one[:label], spans: spans, words: one[:words].to_s)
        rescue UnreadableError => error
          raise Problem.new(422, error.message, code: "section", field: "sections/#{at}")
        end

        def revise(id, map, seen)
          whole(@pieces.revise(id, shorten(map), seen: seen), map)
        end

        # Titles come from files; the shelf holds 200 letters.
        def shorten(map) = map.with(title: map.title[0, 200], book: map.book&.slice(0, 200))

        def whole(row, map)
          Views::Piece.new(map).to_h.merge(id: row[:id], revision: row[:revision], has_score: @pieces.score?(row[:id]))
        end

        def card(row, map)
          reading = Roadmap.read(map)
          {
            id: row[:id], title: row[:title], book: row[:book], pages: map.pages.map(&:number), bars_printed: reading.bars_printed,
            bars_played: reading.bars_played, new_bars: Sections.new_share(map).new_bars.round, sections: map.sections.map(&:label),
            meters: map.meters.map(&:to_s), keys: map.keys.map(&:to_s), aim: map.aim.round
          }
        end

        def no_page
          Problem.new(422, "The script does not say how many bars there are. Add a line such as “page 12: 4 4 4 4” or “bars: 16”.",
            code: "no_page", field: "script")
        end
      end
    end
  end
end
