# frozen_string_literal: true

module Stairwell
  module Studio
    # What a list says of a piece, in plain numbers and names.
    #
    # - `pages`: numbers of its pages, none where they were not described
    # - `new_bars`: bars to be learned, rounded
    # - `meters`, `keys`: as a map document has them; `target_tempo`: beats per minute
    Figures =
      Stairwell.value(
        :pages,
        :bars_printed,
        :bars_played,
        :new_bars,
        :sections,
        :meters,
        :keys,
        :target_tempo
      )

    # @param map [Score::Map]
    # @param reading [Roadmap::Reading] of it
    # @param share [Sections::NewShare] of it
    # @return [Figures]
    def Figures.of(map, reading: Roadmap.read(map), share: Sections.new_share(map))
      new(
        pages: map.pages.map(&:number),
        bars_printed: reading.bars_printed,
        bars_played: reading.bars_played,
        new_bars: share.new_bars.round,
        sections: map.sections.map(&:label),
        meters: map.meters.map(&:to_s),
        keys: map.keys.map(&:to_s),
        target_tempo: map.target_tempo.round
      )
    end
  end
end
