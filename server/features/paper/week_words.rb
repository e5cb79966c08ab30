# frozen_string_literal: true

module Stairwell
  module Server
    module Features
      # What a week on paper says: of each row, and beneath all of them.
      module WeekWords
        # Note values our signs have.
        SIGNS = { quarter: "♩", eighth: "♪" }.freeze
        private_constant :SIGNS

        module_function

        # @param item [Hash] of a day, see {SheetJson}
        # @return [Array(String, String)] title and text
        def of(item)
          often = Phrase["counts.repetitions", count: item[:repetitions]]
          if item[:tempo]
            often =
              Phrase[
                "server.paper.week_pdf.at_tempo",
                often: often,
                beat: beat(item[:beat]),
                tempo: item[:tempo]
              ]
          end
          what =
            (
              if item[:done_when]
                Phrase[
                  "server.paper.week_pdf.what",
                  how: item[:how],
                  often: often,
                  done: item[:done_when]
                ]
              else
                Phrase["server.paper.week_pdf.what_more", how: item[:how], often: often]
              end
            )
          start =
            Phrase.list(
              item[:starts].group_by { |one| one[:hand] }.map { |hand, keys| starts(hand, keys) },
              by: :semicolon
            )
          [
            item[:title],
            "#{item[:piece]}, #{item[:place]}\n" +
              [
                what,
                *item[:notes],
                (Phrase["server.paper.week_pdf.start", starts: start] if item[:starts].any?)
              ].compact.join(" ")
          ]
        end

        # @param beat [Hash] see {Studio::Beat}
        # @return [String]
        def beat(beat) =
          if SIGNS.key?(beat[:value].to_sym)
            "#{SIGNS[beat[:value].to_sym]}#{"." if beat[:dotted]}"
          else
            beat[:name]
          end

        def starts(hand, keys)
          at =
            keys.map do |one|
              if one[:finger]
                Phrase["server.paper.week_pdf.finger_on", finger: one[:finger], note: one[:note]]
              else
                Phrase["server.paper.week_pdf.on", note: one[:note]]
              end
            end
          Phrase[
            "server.paper.week_pdf.hand_starts",
            hand: Phrase["hands.#{hand}"],
            keys: Phrase.list(at, by: :and_each)
          ]
        end

        # What stands beneath: what is no step, what to leave out, and what to take care of.
        # @return [String]
        def foot(sheet)
          extra_work =
            sheet[:days]
              .flat_map do |one|
                [
                  *one[:warm_ups].map { |each| each[:title] },
                  *one[:extra_work].map do |each|
                    Phrase[
                      "server.paper.week_pdf.on_day",
                      title: each[:title],
                      day: Phrase.day(Date.parse(one[:date]), :short_weekday)
                    ]
                  end
                ]
              end
              .uniq
          skip = sheet[:skip].to_a
          [
            (
              if extra_work.any?
                Phrase["server.paper.week_pdf.also", work: Phrase.list(extra_work, by: :semicolon)]
              end
            ),
            (
              if skip.any?
                Phrase[
                  "server.paper.week_pdf.leave_out",
                  day: Phrase.day(Date.parse(sheet[:skip_on])),
                  steps: Phrase.list(skip, by: :semicolon)
                ]
              end
            ),
            [
              *sheet[:cautions].map { |one| one[:short] },
              Phrase["server.paper.week_pdf.general_advice_not_medical"]
            ].join(" ")
          ].compact.join("\n")
        end
        private_class_method :beat, :starts
      end
    end
  end
end
