# frozen_string_literal: true

require "prawn"

module Stairwell
  module Server
    module Features
      # A document to be printed, with our letters and signs.
      module SheetOfPaper
        FONTS =
          File.expand_path(
            "../../../web/node_modules/@expo-google-fonts/atkinson-hyperlegible-next",
            __dir__
          )
        SIGNS =
          File.expand_path(
            "../../../web/node_modules/dejavu-fonts-ttf/ttf/DejaVuSans%s.ttf",
            __dir__
          )

        module_function

        # @param title [String]
        # @return [Prawn::Document]
        def new(title)
          pdf =
            Prawn::Document.new(
              page_size: "A4",
              margin: [34, 36, 30, 36],
              info: {
                Title: title,
                Creator: "Stairwell"
              }
            )
          pdf.font_families.update("body" => { normal: font("400Regular"), bold: font("700Bold") })
          pdf.font("body")
          # Sharps, flats and the like, which the letters' font has not.
          pdf.font_families.update("signs" => { normal: SIGNS % "", bold: SIGNS % "-Bold" })
          pdf.fallback_fonts(["signs"])
          pdf
        end

        def font(name) = File.join(FONTS, name, "AtkinsonHyperlegibleNext_#{name}.ttf")
        private_class_method :font
      end
    end
  end
end
