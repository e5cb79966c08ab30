# frozen_string_literal: true

require "json"

module Stairwell
  module Score
    # The map as plain data, `stairwell-map/1`: what is stored, sent and
    # exported. Lengths are strings such as "3/4" (whole notes), so that
    # nothing exact passes through a float.
    module Document
      SCHEMA = "stairwell-map/1"
      TEXTS = %i[title composer book level].freeze
      MARKS = %i[segno coda to_coda fine double_bars].freeze

      module_function

      # @param map [Map]
      # @return [Hash{String => Object}] JSON-ready
      def dump(map)
        {
          "schema" => SCHEMA,
          **TEXTS.to_h { |key| [key.to_s, map.public_send(key)] },
          "bars" => map.bars.map { |bar| [bar.number, bar.length.to_s, bar.meter.to_s] },
          "pages" => map.pages.map { |page| { "page" => page.number, "lines" => page.lines } },
          "keys" => map.keys.map { |key| { "bar" => key.bar, "key" => key.to_s } },
          "tempo" => tempo(map.tempo),
          "repeats" =>
            map.repeats.map do |one|
              {
                "from" => one.from,
                "to" => one.to,
                "times" => one.times,
                "again" => one.again
              }.select { |name, value| value || name != "again" }
            end,
          "endings" =>
            map.endings.map do |one|
              { "passes" => one.passes, "from" => one.from, "to" => one.to }
            end,
          **MARKS.to_h { |key| [key.to_s, map.public_send(key)] },
          "jumps" => map.jumps.map { |one| jump(one) },
          "clefs" =>
            map.clefs.map do |one|
              {
                "hand" => one.hand.to_s,
                "clef" => one.name,
                "bar" => one.bar,
                "beat" => one.beat.to_s
              }
            end,
          "sections" => map.sections.map { |one| section(one) },
          "notes" =>
            map.notes.to_h do |bar, hands|
              [bar.to_s, hands.to_h { |hand, notes| [hand.to_s, notes.map { |one| note(one) }] }]
            end,
          "markings" => MarkingsDocument.dump(map.markings),
          "remarks" => map.remarks,
          "unread" => about(map.unread),
          **seldom(map)
        }
      end

      # What few pages have.
      def seldom(map)
        {
          "leaves" => map.leaves.map { |one| one.to_h.transform_keys(&:to_s) },
          "assumed" => about(map.assumed),
          "phrasing" =>
            map
              .phrasing
              .to_h
              .reject { |_, places| places.empty? }
              .to_h { |name, places| [name.to_s, places.map { |bar, at| [bar, at.to_s] }] }
        }.reject { |_, value| value.empty? }
      end

      def about(pairs) = pairs.map { |what, bars| { "what" => what, "bars" => bars } }

      # @param data [Hash{String => Object}] as {dump} gives
      # @return [Map]
      # @raise [UnreadableError] when it is not such a document
      def load(data)
        unless data.is_a?(Hash) && data["schema"] == SCHEMA
          raise UnreadableError, Phrase["score.document.this_is_not_a_document", schema: SCHEMA]
        end

        Map.new(
          **TEXTS.to_h { |key| [key, data[key.to_s]] },
          bars: load_bars(data.fetch("bars")),
          pages:
            data
              .fetch("pages", [])
              .map { |one| Page.new(number: one["page"], lines: one["lines"]) },
          keys: data.fetch("keys", []).map { |one| Key.parse(one["key"], bar: one["bar"]) },
          tempo: load_tempo(data["tempo"] || {}),
          repeats:
            data
              .fetch("repeats", [])
              .map do |one|
                Repeat.new(
                  from: one["from"],
                  to: one["to"],
                  times: one["times"],
                  again: one["again"] == true
                )
              end,
          endings:
            data
              .fetch("endings", [])
              .map { |one| Ending.new(passes: one["passes"], from: one["from"], to: one["to"]) },
          **MARKS.to_h { |key| [key, data.fetch(key.to_s, [])] },
          jumps: data.fetch("jumps", []).map { |one| load_jump(one) },
          leaves:
            data.fetch("leaves", []).map { |one| Leave.new(after: one["after"], to: one["to"]) },
          clefs:
            data
              .fetch("clefs", [])
              .map do |one|
                Clef.new(
                  hand: one["hand"].to_sym,
                  name: one["clef"],
                  bar: one["bar"],
                  beat: Rational(one["beat"])
                )
              end,
          sections: data.fetch("sections", []).map { |one| load_section(one) },
          notes: load_notes(data.fetch("notes", {})),
          phrasing:
            Phrasing.new(
              **data
                .fetch("phrasing", {})
                .to_h { |name, places| [name.to_sym, places.map { |bar, at| [bar, Rational(at)] }] }
            ),
          markings: MarkingsDocument.load(data.fetch("markings", {})),
          remarks: data.fetch("remarks", []),
          **%i[unread assumed].to_h do |member|
            [member, data.fetch(member.to_s, []).map { |one| [one["what"], one["bars"]] }]
          end
        )
      rescue KeyError, TypeError, NoMethodError, ArgumentError, ZeroDivisionError => error
        raise UnreadableError,
              Phrase[
                "score.document.this_document_is_damaged",
                schema: SCHEMA,
                why: error.message.lines.first.strip
              ]
      end

      # @param text [String] JSON from outside
      # @return [Map]
      # @raise [UnreadableError] when it is no such document, or speaks of bars
      #   the piece does not have
      def read(text)
        if text.bytesize > Constants::MOST_SCORE_BYTES
          raise UnreadableError,
                Phrase[
                  "score.document.this_file_is_larger_than_mb",
                  megabytes: Constants::MOST_SCORE_BYTES / 1024 / 1024
                ]
        end

        text = text.dup.force_encoding(Encoding::UTF_8)
        unless text.valid_encoding?
          raise UnreadableError, Phrase["score.document.this_is_not_json_the_file"]
        end

        take(JSON.parse(text))
      rescue JSON::ParserError, EncodingError
        raise UnreadableError, Phrase["score.document.this_is_not_json_the_file"]
      end

      # @param data [Object] what somebody else's JSON holds
      # @return [Map]
      # @raise [UnreadableError] as {read}
      def take(data)
        refuse_unlike(data)
        Coherence.check(Bounds.check(load(data)))
      end

      # Against the published schema; the validator is loaded only for this.
      def refuse_unlike(data)
        require "json_schemer"
        # A pattern means what it means in the schema's own language: ^ and $ are the ends.
        @schema ||=
          JSONSchemer.schema(
            JSON.parse(File.read(File.join(__dir__, "map.schema.json"))),
            regexp_resolver: "ecma"
          )
        unless data.is_a?(Hash) && data["schema"] == SCHEMA
          raise UnreadableError, Phrase["score.document.this_is_not_a_document", schema: SCHEMA]
        end

        Bounds.check_data(data)
        odd = Coherence.odd(data)
        wrong =
          (
            if odd
              Phrase["score.document.holds_what_is_never_in_one", value: odd]
            else
              @schema.validate(data).first&.fetch("error")
            end
          )
        if wrong
          raise UnreadableError,
                Phrase["score.document.this_document_is_damaged", schema: SCHEMA, why: wrong]
        end
      end

      # @param one [Hash{String => Object}] a section as {dump} gives it
      # @return [Section]
      def load_section(one)
        Section.new(
          label: one["label"],
          spans: one["spans"].map { |span| MarkingsDocument::READ[:span].call(span) },
          difficulty: one["difficulty"] || Constants::DIFFICULTY,
          variant:
            one["kin"] &&
              Variant.new(
                of: one["kin"]["of"],
                relation: one["kin"]["relation"].to_sym,
                except: one["kin"]["except"] || [],
                hand: one["kin"]["hand"]&.to_sym
              )
        )
      end

      def section(one)
        {
          "label" => one.label,
          "spans" => one.spans.map { |span| MarkingsDocument::WRITE[:span].call(span) },
          "difficulty" => one.difficulty,
          "kin" =>
            one.variant &&
              {
                "of" => one.variant.of,
                "relation" => one.variant.relation.to_s,
                "except" => one.variant.except,
                "hand" => one.variant.hand&.to_s
              }
        }
      end

      def jump(one) =
        {
          "after" => one.after,
          "to" => one.to.to_s,
          "until" => one.until_sign.to_s,
          "repeats" => one.repeats,
          **(one.sign ? { "sign" => one.sign } : {})
        }

      def load_jump(one)
        Jump.new(
          after: one["after"],
          to: one["to"].to_sym,
          until_sign: one["until"].to_sym,
          repeats: one["repeats"],
          sign: one["sign"]
        )
      end

      def tempo(tempo)
        {
          "words" => tempo.words,
          "mark_unit" => tempo.mark_unit&.to_s,
          "mark" => tempo.mark,
          "aim" => tempo.target
        }
      end

      # Finger, touch and graces only where there are some: most notes have none.
      def note(one)
        more =
          {
            "finger" => one.finger,
            "touch" => one.articulation,
            "graces" => one.graces.map(&:to_s)
          }.reject { |_, value| value.nil? || value == [] }
        [one.onset.to_s, one.length.to_s, one.pitch.to_s, one.tied, *[more].reject(&:empty?)]
      end

      def load_bars(rows)
        meters = {}
        rows.each_with_index.map do |(number, length, meter), at|
          shown = meters[meter] if at.positive? && rows[at - 1][2] == meter
          shown ||= Meter.parse(meter, bar: at + 1)
          Bar.new(
            index: at + 1,
            number: number,
            length: Rational(length),
            meter: meters[meter] = shown
          )
        end
      end

      def load_tempo(data)
        Tempo.new(
          words: data["words"],
          mark: data["mark"],
          target: data["aim"],
          mark_unit: data["mark_unit"] && Rational(data["mark_unit"])
        )
      end

      def load_notes(data)
        data.to_h do |bar, hands|
          [
            bar.to_i,
            hands.to_h do |hand, notes|
              [
                hand.to_sym,
                notes.map do |onset, length, pitch, tied, more|
                  Note.new(
                    onset: Rational(onset),
                    length: Rational(length),
                    pitch: Pitch.parse(pitch),
                    tied: tied,
                    **load_more(more || {})
                  )
                end
              ]
            end
          ]
        end
      end

      def load_more(more)
        {
          finger: more["finger"],
          articulation: more.fetch("touch", []),
          graces: more.fetch("graces", []).map { |pitch| Pitch.parse(pitch) }
        }
      end

      private_class_method :refuse_unlike,
                           :seldom,
                           :about,
                           :load_more,
                           :section,
                           :tempo,
                           :jump,
                           :load_jump,
                           :note,
                           :load_bars,
                           :load_tempo,
                           :load_notes
    end
  end
end
