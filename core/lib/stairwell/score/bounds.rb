# frozen_string_literal: true

module Stairwell
  module Score
    # How much a page may hold. Whatever makes a page counts first: nothing is computed of
    # one that no piece needs and that would keep a machine busy.
    module Bounds
      # The most of each kind; own choices, many times what any piece for a student holds.
      MOST = {
        bars: Constants::MOST_BARS,
        pages: 500,
        keys: 500,
        clefs: 2_000,
        repeats: 500,
        endings: 1_000,
        jumps: 200,
        leaves: 50,
        segno: 50,
        coda: 50,
        to_coda: 50,
        fine: 50,
        double_bars: Constants::MOST_BARS,
        sections: 200,
        markings: 10_000,
        notes: 200_000
      }.freeze
      # Repeats one inside the other.
      NESTED = 6
      # Places of one section, and of any other list.
      PLACES = 200

      module_function

      # @param map [Map]
      # @return [Map] the same
      # @raise [UnreadableError] naming what there is too much of
      def check(map)
        MOST.each_key { |kind| refuse(kind, count(map, kind)) }
        depth = nesting(map.repeats)
        if depth > NESTED
          raise UnreadableError.new(
                  Phrase["score.bounds.nested", count: depth, most: NESTED],
                  code: :too_much
                )
        end

        crowded = map.sections.find { |section| section.spans.size > PLACES }
        if crowded
          raise UnreadableError.new(
                  Phrase[
                    "score.bounds.places",
                    section: crowded.label,
                    count: crowded.spans.size,
                    most: PLACES
                  ],
                  code: :too_much
                )
        end

        map
      end

      # The same for a document that was not made into a map yet.
      # @param data [Hash{String => Object}]
      # @return [void]
      # @raise [UnreadableError]
      def check_data(data)
        (MOST.keys - %i[notes markings]).each do |kind|
          refuse(kind, data[kind.to_s].size) if data[kind.to_s].is_a?(Array)
        end
        if data["markings"].is_a?(Hash)
          refuse(
            :markings,
            data["markings"].each_value.sum { |all| all.is_a?(Array) ? all.size : 1 }
          )
        end
        if data["notes"].is_a?(Hash)
          refuse(
            :notes,
            data["notes"].each_value.sum do |hands|
              if hands.is_a?(Hash)
                hands.each_value.sum { |all| all.is_a?(Array) ? all.size : 1 }
              else
                1
              end
            end
          )
        end
      end

      # @param kind [Symbol] of {MOST}
      # @param found [Integer]
      # @raise [UnreadableError] when that is too much
      def refuse(kind, found)
        return if found <= MOST.fetch(kind)

        raise UnreadableError.new(
                Phrase[
                  "score.bounds.too_much",
                  kind: Phrase["score.bounds.kinds.#{kind}"],
                  found: found,
                  most: MOST.fetch(kind)
                ],
                code: :too_much
              )
      end

      def count(map, kind)
        case kind
        when :markings
          Markings.members.sum { |member| Array(map.markings[member]).size }
        when :notes
          map.notes.each_value.sum { |hands| hands.each_value.sum(&:size) }
        else
          map[kind].size
        end
      end

      # @return [Integer] how many repeats lie over one bar at the most
      def nesting(repeats)
        changes = repeats.uniq.flat_map { |one| [[one.from || one.to, 1], [one.to + 1, -1]] }
        depth = 0
        changes.sort.map { |_, change| depth += change }.max || 0
      end
      private_class_method :count, :nesting
    end
  end
end
