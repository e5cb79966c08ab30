# frozen_string_literal: true

require_relative "sections/relation"
require_relative "sections/print"
require_relative "sections/likeness"
require_relative "sections/new_share"
require_relative "sections/occurrence"
require_relative "sections/join"
require_relative "sections/form"
require_relative "sections/check"
require_relative "sections/stretches"
require_relative "sections/returns"
require_relative "sections/phrase_ends"
require_relative "sections/cuts"
require_relative "sections/variants"
require_relative "sections/suggestion"
require_relative "sections/join_facts"
require_relative "sections/joins"
require_relative "sections/layers"
require_relative "sections/reach"
require_relative "sections/entry"
require_relative "sections/entries"
require_relative "sections/values"
require_relative "sections/fact"
require_relative "sections/hand_facts"
require_relative "sections/aspect_facts"
require_relative "sections/preview"
require_relative "sections/spots"
require_relative "sections/pencil_list"
require_relative "sections/survey"

module Stairwell
  # What there is to learn: which bars are known from an earlier bar, how much
  # of the piece is new, in what order its sections come, and where they join.
  module Sections
    # @param map [Score::Map]
    # @param reading [Roadmap::Reading]
    # @return [Form]
    def self.form(map, reading = Roadmap.read(map)) = Form.new(map, reading)

    # @param map [Score::Map]
    # @return [Survey]
    def self.survey(map) = Survey.new(map)

    # @param map [Score::Map]
    # @param about [Hash] of the student: span:, pedal:, known:; share: where it was made already
    # @return [Array<Fact>] what is seen when looking it over
    def self.preview(map, **about) = Preview.new(map, **about).facts

    # @param map [Score::Map]
    # @param hand [Symbol] :right or :left
    # @param bars [Array<Integer>, nil] only there
    # @return [Reach::Stretch, nil] the widest notes sounding together
    def self.widest(map, hand, bars = nil) = Reach.new(map, hand).widest(bars)

    # @param map [Score::Map]
    # @param hand [Symbol] :right or :left
    # @param bars [Array<Integer>] as they are practised
    # @return [Array<Entry>] where the hand begins in them
    def self.entries(map, hand, bars) = Entries.new(map, hand).in(bars)

    # @param map [Score::Map]
    # @return [Array<Score::Section>] suggested from the page and the notes
    def self.suggest(map) = Suggestion.new(map).sections

    # @param map [Score::Map]
    # @return [NewShare]
    def self.new_share(map) = NewShare.new(map)
  end
end
