# frozen_string_literal: true

module Stairwell
  module Studio
    # What a page asks of eyes and hands.
    #
    # - `note_values`: their names; `meters`, `keys`: as printed; `signs`: what the road has,
    #   :repeat, :ending, :da_capo, :dal_segno, :coda
    # - `stretch`: semitones between notes together; `leap`: semitones a hand goes beyond its
    # position;
    #   `moves`: how often in eight bars it leaves it; `speed`: notes of a hand a second
    Demands =
      Stairwell.value(
        note_values: [],
        meters: [],
        keys: [],
        signs: [],
        stretch: 0,
        leap: 0,
        moves: 0r,
        speed: 0r
      ) do
        # @param other [Demands]
        # @return [Demands] of both pages
        def +(other)
          with(
            **%i[note_values meters keys signs].to_h { |one| [one, self[one] | other[one]] },
            **%i[stretch leap moves speed].to_h { |one| [one, [self[one], other[one]].max] }
          )
        end
      end

    # @param map [Score::Map]
    # @param bars [Array<Integer>] of it
    # @param tempo [Numeric] beats per minute
    # @return [Demands]
    def Demands.of(map, bars: map.bars.map(&:index), tempo: map.target_tempo)
      part = map.with(notes: map.notes.slice(*bars))
      hands = Sections::Likeness::HANDS.map { |hand| Sections::Reach.new(part, hand) }
      shifts = hands.map(&:shifts)
      new(
        note_values: Sections::Values.new(part).names,
        meters: bars.map { |bar| map.bar(bar).meter.to_s }.uniq,
        keys: bars.filter_map { |bar| map.keys.reverse.find { |key| key.bar <= bar }&.name }.uniq,
        signs: signs(map, bars),
        stretch: hands.filter_map { |hand| hand.widest&.semitones }.max || 0,
        leap: shifts.flatten.map(&:far).max || 0,
        moves: bars.empty? ? 0r : shifts.map(&:size).max * 8r / bars.size,
        speed: speed(part, bars, tempo)
      )
    end

    # Of the hand that has more to strike.
    def Demands.speed(part, bars, tempo)
      seconds = bars.sum(0r) { |bar| part.bar(bar).counts } * 60 / tempo.to_r
      struck =
        Sections::Likeness::HANDS
          .map do |hand|
            part.notes.values.sum do |hands|
              hands.fetch(hand, []).reject(&:tied).map(&:onset).uniq.size
            end
          end
          .max
      seconds.positive? ? struck / seconds : 0r
    end

    def Demands.signs(map, bars)
      return [] unless bars.size == map.bars.size

      [
        *(:repeat if map.repeats.any?),
        *(:ending if map.endings.any?),
        *map.jumps.map { |jump| { capo: :da_capo, segno: :dal_segno }.fetch(jump.to) }.uniq,
        *(:coda if map.coda.any?)
      ]
    end
    Demands.private_class_method :speed, :signs
  end
end
