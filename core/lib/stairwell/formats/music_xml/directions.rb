# frozen_string_literal: true

module Stairwell
  module Formats
    module MusicXML
      # Writes loud and soft, pedal and octave lines of a map as directions,
      # each at its place by an offset from the start of its bar.
      class Directions
        LETTERS = /\A(p{1,6}|f{1,6}|m[pf]|fp|sf|sfz|sfp|fz|rf|rfz|n)\z/

        # @param map [Score::Map]
        # @param divisions [Integer] of a quarter note
        def initialize(map, divisions)
          @divisions = divisions
          @map = map
          @by_bar = Hash.new { |all, bar| all[bar] = [] }
          dynamics
          map.markings.pedal.each do |span|
            pair(span, "1") { |type, _| [:pedal, { type: type, line: "yes" }] }
          end
          map.markings.octaves.each do |octave|
            pair(octave.span, (octave.hand == :left) ? "2" : "1") do |type, _|
              [
                :"octave-shift",
                {
                  type:
                    if type == "start"
                      octave.up ? "down" : "up"
                    else
                      "stop"
                    end,
                  size: 8
                }
              ]
            end
          end
        end

        # @param xml [Nokogiri::XML::Builder]
        # @param bar [Score::Bar]
        def write(xml, bar)
          @by_bar
            .fetch(bar.index, [])
            .each do |offset, name, attributes, staff, inside|
              xml.direction do
                xml.send(:"direction-type") do
                  inside ? xml.send(name) { xml.send(*inside) } : xml.send(name, **attributes)
                end
                xml.offset(offset) unless offset.zero?
                xml.staff(staff) if staff
              end
            end
        end

        private

        def dynamics
          @map.markings.dynamics.each do |one|
            wedge = Marks::WEDGES.key(one.words)
            if wedge
              next(
                pair(one.span, "1") do |type, _|
                  [:wedge, { type: (type == "start") ? wedge : "stop" }]
                end
              )
            end

            inside = one.words.match?(LETTERS) ? [one.words] : [:"other-dynamics", one.words]
            @by_bar[one.span.from] << [
              offset(one.span.from, one.span.from_beat),
              :dynamics,
              {},
              nil,
              inside
            ]
          end
        end

        # The start and the stop of a line; one that ends with a bar stops there.
        def pair(span, staff)
          @by_bar[span.from] << [offset(span.from, span.from_beat), *yield("start", span), staff]
          last =
            (
              if span.to_beat
                offset(span.to, span.to_beat)
              else
                (@map.bar(span.to).length * 4 * @divisions).to_i
              end
            )
          @by_bar[span.to] << [last, *yield("stop", span), staff]
        end

        def offset(bar, beat) =
          (((beat || 1) - 1) * @map.bar(bar).meter.count_length * 4 * @divisions).to_i
      end
    end
  end
end
