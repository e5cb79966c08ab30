# frozen_string_literal: true

module Stairwell
  module Studio
    # A piece's page as it is for one student: the studio's page of a revision, with
    # the teacher's and the student's changes over it. It is read only when asked
    # for, and once.
    class Page
      # @return [String] the script of changes that lies over all others, the
      #   student's own; empty where there is none
      attr_reader :own_layer

      # @param document [String] JSON of the revision's map
      # @param script [String, nil] as it was typed; nil where it never was
      # @param under [Array<String>] scripts of changes, the lowest first
      # @param own_layer [String] the script over those
      # @param scored [String, nil] JSON of the first map with notes; nil where that
      #   is this one, or there is none
      def initialize(document:, script: nil, under: [], own_layer: "", scored: nil)
        @document = document
        @typed = script
        @under = under
        @own_layer = own_layer
        @scored = scored
      end

      # @return [Score::Map]
      # @raise [UnreadableError] when what was kept is damaged
      def map =
        @map ||=
          if changed?
            with_score(
              Formats::PageScript.read(Formats::PageScript::Layer.on(base, own_layer)).map || own
            )
          else
            own
          end

      # @return [String] the studio's script, as typed or as it would be written
      def script = @script ||= @typed || Formats::PageScript.write(own)

      # @return [String] what the student's own changes lie over
      def base = @base ||= Formats::PageScript::Layer.on(script, *@under)

      # @param layer [String]
      # @return [Page] the same page with other changes of the student's own
      def with_own_layer(layer) =
        self.class.new(
          document: @document,
          script: @typed,
          under: @under,
          own_layer: layer,
          scored: @scored
        )

      # What only the score knows stays, as long as the bars do.
      # @param map [Score::Map] of a script
      # @return [Score::Map]
      def with_score(map)
        return map unless scored.notes? && scored.bars.map(&:length) == map.bars.map(&:length)

        same_meters =
          scored.bars.map { |bar| bar.meter.to_s } == map.bars.map { |bar| bar.meter.to_s }
        map.with(
          notes: scored.notes,
          phrasing: scored.phrasing,
          unread: scored.unread,
          assumed: scored.assumed,
          **(same_meters ? { bars: scored.bars } : {})
        ).with_hands_said
      end

      private

      def changed? = [*@under, own_layer].any? { |one| !one.strip.empty? }

      def own = @own ||= Score::Document.load(JSON.parse(@document))

      def scored = @first ||= @scored ? Score::Document.load(JSON.parse(@scored)) : own
    end
  end
end
