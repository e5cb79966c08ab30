# frozen_string_literal: true

module Stairwell
  module Studio
    # A piece at work: what is typed and clicked, for the studio, for a teacher's
    # students or for one. The script is the source; a click changes it by statements.
    class Bench
      # A script as it would be: `map` is nil where it gives no page.
      Draft = Stairwell.value(:script, :map, :problems)

      # @return [Page]
      attr_reader :page

      # @param page [Page] as it is for whom it is shown
      # @param layer [Boolean] whether what is typed are changes over the studio's page
      def initialize(page, layer: false)
        @page = page
        @layer = layer
      end

      # @return [String] what is typed: the studio's script, or the changes over it
      def script = @layer ? page.own_layer : page.script

      # Reads a script and changes it; nothing is kept.
      #
      # @param put [Array<String>] statements
      # @param drop [Array<String>]
      # @param suggest [Boolean] whether to put in the sections that are suggested
      # @param shift [Hash, nil] a line's end: page:, line:, by: (bars)
      # @param clicks [Hash{Symbol => Hash}] :sign, :section, :move, :lines, with what
      #   {Formats::PageScript::Clicks} takes
      # @return [Draft]
      # @raise [UnreadableError] naming a statement that makes no sense
      # @raise [RefusedError]
      def draft(script, put: [], drop: [], suggest: false, shift: nil, **clicks)
        put += suggestion(script) if suggest
        put += shifted(script, shift) if shift
        clicks.each do |kind, what|
          said = Formats::PageScript::Clicks.new(shown(script)).public_send(kind, **what)
          put += said.fetch(:put, [])
          drop += said.fetch(:drop, [])
        end
        script = changed(script, put, drop) if put.any? || drop.any?
        @layer ? layer_draft(script) : page_draft(script)
      end

      # @param script [String]
      # @return [Score::Map] to be kept
      # @raise [RefusedError] when the script gives no page
      def map_of(script) = self.class.shortened(page.with_score(self.class.read(script)))

      # @param base [String] what both began from
      # @param mine [String]
      # @param theirs [String]
      # @return [String] theirs with what mine changed
      def merged(base:, mine:, theirs:)
        return Formats::PageScript.merge(base: base, mine: mine, theirs: theirs) unless @layer

        Formats::PageScript::Layer.merge(under: page.base, base: base, mine: mine, theirs: theirs)
      end

      # @return [Hash{Symbol => Array<String>}] statements that came (:put) and went
      #   (:drop) between two scripts
      def difference(before, after)
        maps = [before, after].map { |script| Formats::PageScript.read(script).map }
        return Formats::PageScript.difference(*maps) if !@layer && maps.all?

        lines =
          [before, after].map { |script| script.lines(chomp: true).map(&:strip).reject(&:empty?) }
        { drop: lines.first - lines.last, put: lines.last - lines.first }
      end

      # @param kind [String] of {Formats::WRITTEN}
      # @return [String] the studio's own script goes out as it was typed
      def export(kind) = (kind == "script" && !@layer) ? script : Formats.write(page.map, kind)

      # @param script [String]
      # @return [Score::Map]
      # @raise [RefusedError] when the script gives no page
      def self.read(script)
        Formats::PageScript.read(script).map ||
          raise(
            RefusedError.new(
              Phrase["studio.bench.the_script_does_not_say_how"],
              code: :no_page,
              field: "script"
            )
          )
      end

      # @param map [Score::Map]
      # @return [Score::Map] titles come from files, and may be of any length
      def self.shortened(map) =
        map.with(
          title: map.title[0, Constants::TITLE_LETTERS],
          book: map.book&.slice(0, Constants::TITLE_LETTERS)
        )

      private

      def page_draft(script)
        result = Formats::PageScript.read(script)
        Draft.new(
          script: script,
          map: result.map && page.with_score(result.map),
          problems: result.problems
        )
      end

      def layer_draft(layer)
        shown = Formats::PageScript.read(over(layer)).map
        Draft.new(
          script: layer,
          map: shown && page.with_score(shown),
          problems: Formats::PageScript::Layer.new(layer).problems(page.base)
        )
      end

      def changed(script, put, drop)
        return Formats::PageScript::Edit.new(script).call(put: put, drop: drop) unless @layer

        Formats::PageScript::Layer.change(script, base: page.base, put: put, drop: drop)
      end

      def over(layer) = Formats::PageScript::Layer.on(page.base, layer)

      # The page as it is with what is typed.
      def shown(script) = self.class.read(@layer ? over(script) : script)

      def suggestion(script)
        shown = page.with_score(self.class.read(script))
        if shown.sections.any?
          raise RefusedError.new(
                  Phrase["studio.bench.this_piece_has_sections_already_take"],
                  code: :has_sections
                )
        end

        writer = Formats::PageScript::Writer.new(shown)
        Sections.suggest(shown).map { |one| writer.statement(:sections, one) }
      end

      # @return [Array<String>] the page's lines as a statement, none where nothing moves
      def shifted(script, shift)
        lines = self.class.read(@layer ? over(script) : script).layout.shifted(**shift)
        lines ? ["page #{shift[:page]}: #{lines.join(" ")}"] : []
      end
    end
  end
end
