# frozen_string_literal: true

module Stairwell
  module Roadmap
    # The playing order of a map and the figures that follow from it.
    Reading =
      Stairwell.value(:map, :visits, :diagnostics) do
        # @return [Array<Integer>] bar indexes as played
        def order = visits.map(&:bar)

        # @return [Array<Score::Span>] maximal stretches of consecutive printed bars
        def runs
          order
            .slice_when { |a, b| b != a + 1 }
            .map { |run| Score::Span.new(from: run.first, to: run.last) }
        end

        # @return [Integer]
        def bars_printed = map.bars.size

        # @return [Integer]
        def bars_played = visits.size

        # @return [Rational] printed counts as played; fermatas are not added
        def counts_played = visits.sum(0r) { |visit| map.bar(visit.bar).counts }

        # @return [Array<Integer>] indexes of bars nobody reaches
        def never_played = (1..map.bars.size).to_a - order

        # @param tempo [Rational, Integer] beats per minute
        # @return [Rational, Float] seconds of one playing, fermatas held and
        #   ritardandi slowed
        def seconds(tempo = map.target_tempo) = Duration.new(map).counts(visits) * 60 / tempo

        # @return [Integer] how often the eye goes to another page
        def page_turns
          layout = map.layout
          order.each_cons(2).count { |from, to| layout.turn?(from, to) }
        end

        # @param tempo [Rational, nil] beats per minute, to have the seconds too
        # @return [Hash{String => Object}] JSON-ready
        def summary(tempo: nil)
          said = PassNotes.new(map)
          {
            "title" => map.title,
            "bars_printed" => bars_printed,
            "bars_played" => bars_played,
            "order" => order,
            "runs" => runs.map { |run| [run.from, run.to] },
            "counts_played" => Roadmap.number(counts_played),
            "never_played" => never_played,
            "visits" =>
              visits.map do |one|
                {
                  "bar" => one.bar,
                  "time" => one.time,
                  "pass" => one.pass,
                  "via" => one.via.to_s,
                  "notes" => said.of(one)
                }
              end,
            "page_turns" => page_turns,
            **(tempo ? { "seconds" => seconds(tempo).to_f.round(3) } : {}),
            "diagnostics" =>
              diagnostics.map do |one|
                { "code" => one.code.to_s, "bar" => one.bar, "message" => one.message }
              end
          }
        end
      end
  end
end
