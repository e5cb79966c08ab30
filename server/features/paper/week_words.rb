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

        # @param steps [Array<Hash>] all of a row, see {SheetJson}
        # @return [String] what to know, where the hands begin, and when it's done: that of the last
        def of(steps)
          starts = steps.first[:starts]
          begin_on =
            Phrase.list(
              starts.group_by { |one| one[:hand] }.map { |hand, keys| starts(hand, keys) },
              by: :semicolon
            )
          done = steps.reverse.filter_map { |step| step[:done_when] }.first
          [
            *shared_notes(steps).first(NOTES),
            (Phrase["server.paper.week_pdf.start", starts: begin_on] if starts.any?),
            (Phrase["server.paper.week_pdf.done_when", done: done] if done)
          ].compact.join(" ")
        end

        # What holds for all sections of a row; of one of them it would be read as that of all.
        # @param steps [Array<Hash>]
        # @return [Array<String>]
        def shared_notes(steps) =
          steps
            .group_by { |step| step[:section] }
            .values
            .map { |of_section| of_section.flat_map { |step| step[:notes] }.uniq }
            .inject(:&)

        # Notes of a row that are printed. Own choice.
        NOTES = 2
        private_constant :NOTES

        # @param item [Hash]
        # @return [String] such as "♩ = 44"
        def tempo(item) = "#{beat(item[:beat])} = #{item[:tempo]}"

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
                  *one[:extra_work]
                    .reject { |each| each[:row] }
                    .map do |each|
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
