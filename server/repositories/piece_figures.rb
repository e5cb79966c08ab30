# frozen_string_literal: true

module Stairwell
  module Server
    module Repositories
      # The figures and the page that are kept with each piece's newest revision.
      class PieceFigures
        LISTS = { pages: :integer, sections: :text, meters: :text, keys: :text }.freeze

        # @param tables [Tables]
        def initialize(tables)
          @tables = tables
        end

        # Never those of an older revision over a newer one's.
        # @param columns [Hash{Symbol => Object}]
        # @return [void]
        def keep(piece_id, revision, columns)
          row =
            columns
              .to_h do |name, value|
                [name, LISTS[name] ? Sequel.pg_array(value, LISTS[name]) : value]
              end
              .merge(revision: revision)
          @tables.db[:piece_figures].insert_conflict(
            target: %i[studio_id piece_id],
            update: row,
            update_where: Sequel[:piece_figures][:revision] <= revision
          ).insert(studio_id: @tables.studio_id, piece_id: piece_id, **row)
        end

        # @return [String, nil] JSON of the page, where it was made by this version of the
        #   app, of this revision and in this language
        def page(piece_id, revision, made_with, locale)
          @tables[:piece_figures].where(
            piece_id: piece_id,
            revision: revision,
            made_with: made_with,
            locale: locale.to_s
          ).get(:page)
        end

        # @return [Array<Array(Integer, Integer)>] piece and revision of those to be made
        def stale(made_with, locale)
          fresh =
            @tables[:piece_figures].where(made_with: made_with, locale: locale.to_s).select(
              :piece_id,
              :revision
            )
          @tables[:pieces].exclude(%i[id revision] => fresh).order(:id).select_map(%i[id revision])
        end
      end
    end
  end
end
