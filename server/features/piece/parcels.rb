# frozen_string_literal: true

require "digest"

module Stairwell
  module Server
    module Features
      # Pages that go from one studio's library to another's.
      class Parcels
        # @param context [StudioContext]
        # @param waiting [Waiting] for whom pages are read
        def initialize(context, waiting)
          @context = context
          @waiting = waiting
        end

        # @param ids [Array<Integer>] of pieces
        # @param with [Array<String>] of {Formats::Parcel::ASKED}
        # @return [String] JSON
        # @raise [MissingError]
        def pack(ids, with:)
          documents =
            @context.read do |tables|
              pieces = Repositories::Pieces.new(tables)
              ids.uniq.map { |id| pieces.revision(id, pieces.find(id)[:revision])[:document] }
            end
          Formats::Parcel.write(
            documents.map { |document| Score::Document.load(JSON.parse(document)) },
            with: with.map(&:to_sym)
          )
        end

        # All of its pages or none.
        # @param bytes [String]
        # @param key [String] from the client: sent twice it is one parcel
        # @return [Array<Hash>] id: and title: of what came in
        # @raise [UnreadableError]
        def unpack(bytes, key:)
          maps = ForeignFile.parcel(bytes).map { |map| Studio::Bench.shortened(map) }
          rows =
            maps.each_with_index.map do |map, at|
              [
                { title: map.title, book: map.book, key: numbered(key, at) },
                Score::Document.dump(map),
                Drawn.of(map).columns.tap { @waiting.check! }
              ]
            end
          kept =
            @context.write do |tables|
              rows.map do |columns, document, figures|
                Repositories::Pieces
                  .new(tables)
                  .add(columns, document, figures, by: @context.account_id)
                  .first
              end
            end
          kept.map { |row| row.slice(:id, :title) }
        end

        private

        # A key of its own for each page, the same when the parcel is sent again.
        def numbered(key, at) =
          Digest::SHA256.hexdigest("#{key}/#{at}")[0, 32].gsub(
            /(.{8})(.{4})(.{4})(.{4})(.{12})/,
            '\1-\2-\3-\4-\5'
          )
      end
    end
  end
end
