# frozen_string_literal: true

module Stairwell
  module Formats
    module PageScript
      # Note values by the names used in English-speaking countries.
      UNITS = {
        "whole" => 1r,
        "half" => 1 / 2r,
        "quarter" => 1 / 4r,
        "eighth" => 1 / 8r,
        "semibreve" => 1r,
        "minim" => 1 / 2r,
        "crotchet" => 1 / 4r,
        "quaver" => 1 / 8r
      }.freeze
      UNIT_PATTERN = /(dotted\s+)?(#{UNITS.keys.join("|")})/i

      # Reads the values of statements: what stands behind the colon.
      module Values
        # Scripts from before said "aim".
        TARGET = /(?:target|aim)\b/i

        module_function

        def time(scan, places)
          return Score::Meter.free(bar: from(scan, places)) if scan.take(/free\b/i)

          beats = scan.number!(Phrase["formats.page_script.values.beats_such_as"], 1..32)
          scan.take!(%r{/}, Phrase["formats.page_script.values.a_slash_as_in"])
          unit =
            scan.take!(
              /(32|16|8|4|2|1)\b/,
              Phrase["formats.page_script.values.a_note_value_or"]
            ).to_i
          Score::Meter.new(beats: beats, unit: unit, bar: from(scan, places))
        end

        def key(scan, places)
          at = scan.column
          name =
            scan.take!(
              /[A-G][#b]?(\s+(major|minor))?/i,
              Phrase["formats.page_script.values.a_key_such_as_g_major"]
            )
          bar = from(scan, places)
          Score::Key.parse(name, bar: bar) ||
            raise(
              Stumble.new(Phrase["formats.page_script.values.there_is_no_key_of", name: name], at)
            )
        end

        def from(scan, places) = scan.take(/from\b/i) ? places.bar!(scan) : 1

        # `Andante, marked quarter = 92, target 76`, any part of it alone.
        # @return [Array<Array(Symbol, Object)>] see {Reader::TEMPO}
        def tempo(scan)
          found = {}
          until scan.done?
            if scan.take(/marked\b/i)
              found[:tempo_mark] = mark(scan)
            elsif scan.take(TARGET)
              found[:tempo_target] = scan.number!(
                Phrase["formats.page_script.values.beats_per_minute"],
                1..400
              )
            else
              found[:tempo_words] = [
                found[:tempo_words],
                scan.phrase!(Phrase["formats.page_script.values.a_tempo_word"])
              ].compact.join(", ")
            end
            scan.take(/,/) || break
          end
          found.to_a
        end

        # @return [Array(Rational, Integer)] note value and beats a minute
        def mark(scan)
          unit =
            scan.take!(
              UNIT_PATTERN,
              Phrase["formats.page_script.values.a_note_value_such_as_quarter"]
            ).downcase
          length = UNITS.fetch(unit.split.last)
          length = length * 3 / 2 if unit.start_with?("dotted")
          scan.take!(/=/, Phrase["formats.page_script.values.an_equals_sign_as_in_quarter"])
          [length, scan.number!(Phrase["formats.page_script.values.beats_a_minute"], 1..400)]
        end

        # `9-13`, `to 13` where no opening sign is printed, `9-13 x3`.
        def repeat(scan, places)
          span =
            (
              if scan.take(/to\b/i)
                Score::Span.new(from: nil, to: places.bar!(scan))
              else
                places.span!(scan)
              end
            )
          if scan.take(/x/i)
            times =
              scan.number!(Phrase["formats.page_script.values.how_often"], 2..Constants::MOST_TIMES)
          end
          Score::Repeat.new(
            from: span.from,
            to: span.to,
            times: times,
            again: !!scan.take(/again/i)
          )
        end

        # `26 al coda`, `28 al fine with repeats`, `26 to 5` where that sign is meant, or the bar
        # alone.
        def jump(keyword, scan, places)
          after = places.bar!(scan)
          from = places.bar!(scan) if scan.take(/to\b/i)
          sign = scan.take!(/(fine|coda)\b/i, "“fine” or “coda”").downcase.to_sym if scan.take(
            /al\b/i
          )
          repeats = !scan.take(/with\s+repeats\b/i).nil?
          Score::Jump.new(
            after: after,
            to: Score::Jump::WORDS.key(keyword),
            until_sign: sign || :end,
            repeats: repeats,
            sign: from
          )
        end

        def passes(scan)
          found = []
          loop do
            found << scan.number!(
              Phrase["formats.page_script.values.a_pass_such_as"],
              1..Constants::MOST_TIMES
            )
            break unless scan.take(/,/)
          end
          found.uniq
        end

        # `5-8 like A except 8`, `like A moved`, `left hand like A`.
        def section(label, scan, places)
          Score::Section.new(label: label, spans: places.spans!(scan), **details(scan, places))
        end

        def details(scan, places)
          found = { variant: variant(scan, places) }
          if scan.take(/difficulty\b/i)
            found[:difficulty] = scan.number!(
              Phrase["formats.page_script.values.a_difficulty"],
              1..5
            )
          end
          found
        end

        def variant(scan, places)
          hand = scan.take(/(left|right)\s+hand\b/i)&.[](/\w+/)&.downcase&.to_sym
          return unless hand ? scan.take!(/like\b/i, "“like”") : scan.take(/like\b/i)

          of =
            scan.take!(LABEL, Phrase["formats.page_script.values.the_label_of_an_earlier_section"])
          except = scan.take(/except\b/i) ? bars(places.spans!(scan), scan) : []
          relation = scan.take(/(moved|rhythm)\b/i)&.downcase&.to_sym || :same
          Score::Variant.new(of: of, relation: relation, except: except, hand: hand)
        end

        # @return [Array<Integer>] what spans hold; counted first, since each may hold all
        def bars(spans, scan)
          if spans.sum(&:size) > Constants::MOST_BARS
            scan.stumble(
              Phrase["formats.page_script.places.too_many_bars", most: Constants::MOST_BARS]
            )
          end
          spans.flat_map(&:bars)
        end
      end

      # Labels are letters with a number or prime (A, A1, A′) or numbers.
      LABEL = /[[:alnum:]][[:alnum:]′'+]{0,11}/
    end
  end
end
