# frozen_string_literal: true

require "digest"

module Stairwell
  module Server
    module Features
      # What is kept with a piece's newest revision: its figures, and its whole page as
      # JSON in one language. It is made before the revision is kept, and only shown where
      # this version of the app made it.
      Drawn =
        Stairwell.value(:figures, :page, :locale, :made_with) do
          # @return [Hash{Symbol => Object}] columns of piece_figures
          def columns = figures.to_h.merge(page: page, locale: locale, made_with: made_with)
        end

      # @param map [Score::Map]
      # @return [Drawn] in the language that is spoken
      def Drawn.of(map)
        json = PageJson.new(map)
        figures = Studio::Figures.of(map, reading: json.reading, share: json.share)
        new(
          figures: figures,
          page: JSON.generate(json.to_h),
          locale: Locales.current.to_s,
          made_with: print
        )
      end

      # @return [String] changes with whatever a page follows from
      def Drawn.print
        @print ||=
          begin
            root = File.expand_path("../../..", __dir__)
            files =
              Dir[
                File.join(root, "core/{lib,locales}/**/*.{rb,yml}"),
                File.join(root, "server/locales/*.yml"),
                File.join(__dir__, "page_json.rb")
              ]
            Digest::SHA256.hexdigest(
              files.sort.map { |file| Digest::SHA256.file(file).hexdigest }.join
            )[
              0,
              16
            ]
          end
      end
    end
  end
end
