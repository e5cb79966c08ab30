# frozen_string_literal: true

module Stairwell
  module Server
    module Features
      # What a week on paper says: of each row, and beneath all of them.
      module WeekWords
        # Note values our signs have.
        SIGNS = {quarter: "♩", eighth: "♪"}.freeze
        private_constant :SIGNS

        module_function

        # @param item [Hash] of a day, see {SheetJson}
        # @return [Array(String, String)] title and text
        def of(item)
          often = Phrase["counts.repetitions", count: item[:repetitions]]
          often = Phrase["server.paper.week_pdf.at_tempo", often: often, beat: beat(item[:beat]), tempo: item[:tempo]] if item[:tempo]
          what = item[:done_when] ? Phrase["server.paper.week_pdf.what", how: item[:how], often: often, done: item[:done_when]] : Phrase["server.paper.week_pdf.what_more", how: item[:how], often: often]
          start = Phrase.list(item[:starts].group_by { |one| one[:hand] }.map { |hand, keys| starts(hand, keys) }, by: :semicolon)
          [item[:title], "#{item[:piece]}, #{item[:place]}\n" + [what, *item[:notes], (Phrase["server.paper.week_pdf.start", starts: start] if item[:starts].any?)].compact.join(" ")]
        end

        # @param beat [Hash] see {Studio::Beat}
        # @return [String]
        def beat(beat) = SIGNS.key?(beat[:value].to_sym) ? "#{SIGNS[beat[:value].to_sym]}#{"." if beat[:dotted]}" : beat[:name]

        def starts(hand, keys)
          at = keys.map { |one| one[:finger] ? Phrase["server.paper.week_pdf.finger_on", finger: one[:finger], note: one[:note]] : Phrase["server.paper.week_pdf.on", note: one[:note]] }
          Phrase["server.paper.week_pdf.hand_starts", hand: Phrase["hands.#{hand}"], keys: Phrase.list(at, by: :and_each)]
        end

        # What stands beneath: what is no step, what to leave out, and what to take care of.
        # @return [String]
        def foot(sheet)
          extra_work = sheet[:days].flat_map { |one| [*one[:warm_ups].map { |each| each[:title] }, *one[:extra_work].map { |each| Phrase["server.paper.week_pdf.on_day", title: each[:title], day: Phrase.day(Date.parse(one[:date]), :short_weekday)] }] }.uniq
          skip = sheet[:skip].to_a
          [
            (Phrase["server.paper.week_pdf.also", work: Phrase.list(extra_work, by: :semicolon)] if extra_work.any?),
            (Phrase["server.paper.week_pdf.leave_out", day: Phrase.day(Date.parse(sheet[:skip_on])), steps: Phrase.list(skip, by: :semicolon)] if skip.any?),
            [*sheet[:cautions].map { |one| one[:short] }, Phrase["server.paper.week_pdf.general_advice_not_medical"]].join(" ")
          ].compact.join("\n")
        end
        private_class_method :beat, :starts
      end
    end
  end
end
