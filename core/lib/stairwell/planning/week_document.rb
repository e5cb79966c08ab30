# frozen_string_literal: true

module Stairwell
  module Planning
    # A planned week as plain data, `planned-week/2`: what is stored and sent. Weeks that were
    # planned before there were rows are `planned-week/1`, and have none.
    module WeekDocument
      SCHEMA = "planned-week/2"
      FORMER_SCHEMAS = [nil, "planned-week/1"].freeze
      # What weeks planned before this had a schema called the kinds of items.
      FORMERLY = { "other" => "extra_work", "extra" => "added" }.freeze

      module_function

      # @param week [PlannedWeek]
      # @return [Hash{String => Object}] plain data, to be kept: what is said in phrases
      #   stays one, whatever language is spoken later, and minutes are exact
      def dump(week) = Phrase.pack(data(week, &:to_s))

      # @param week [PlannedWeek]
      # @return [Hash{String => Object}] the same for whoever reads it now, minutes as they are
      #   said, and each row with its cells
      def said(week)
        data = data(week) { |minutes| Units.halves(minutes).to_f }
        cells = week.rows.map { |row| week.cells(row).map { |cell| cell(*cell) } }
        data.merge("rows" => data["rows"].zip(cells).map { |row, days| row.merge("days" => days) })
      end

      # One day of a row.
      def cell(number, date, items)
        {
          "number" => number,
          "date" => date.to_s,
          "stages" => items.filter_map { |item| item.stage if item.is_a?(PlannedItem) }.uniq,
          "times" =>
            items.filter_map { |item| item.repetitions if item.is_a?(PlannedItem) }.max || 1,
          "minutes" => Units.halves(items.sum(0r, &:minutes)).to_f
        }
      end

      def data(week, &)
        {
          "schema" => SCHEMA,
          "starts" => week.starts.to_s,
          "planned_from" => week.planned_from.to_s,
          "next_lesson" => week.next_lesson.to_s,
          "with_lesson" => week.with_lesson,
          "budget" => week.budget,
          "rows" => week.rows.map { |row| plain(row).merge("kind" => row.kind.to_s) },
          "days" => week.days.map { |day| dump_day(day, &) },
          "left_out" => week.left_out.map { |one| plain(one) },
          "unmet" => week.unmet.map { |one| plain(one).merge("date" => one.date&.to_s) },
          "limits" => week.limits.map { |one| plain(one).merge("kind" => one.kind.to_s) }
        }
      end

      # @param data [Hash{String => Object}] as {dump} gives, or as weeks were kept
      #   before
      # @return [PlannedWeek]
      # @raise [UnreadableError] when it is no planned week
      def load(data)
        unless data.is_a?(Hash) && [*FORMER_SCHEMAS, SCHEMA].include?(data["schema"])
          raise UnreadableError,
                Phrase["planning.planned_week.this_is_not_a_document", schema: SCHEMA]
        end

        PlannedWeek.new(
          **%i[starts next_lesson].to_h { |key| [key, Date.iso8601(data.fetch(key.to_s))] },
          planned_from: Date.iso8601(data["planned_from"] || data["starts"]),
          budget: data.fetch("budget"),
          with_lesson: data.fetch("with_lesson", true),
          rows: data.fetch("rows", []).map { |row| load_row(row) },
          days: data.fetch("days").map { |day| load_day(day) },
          left_out: data.fetch("left_out", []).map { |one| value(PlannedLeftOut, one) },
          unmet:
            data
              .fetch("unmet", [])
              .map do |one|
                value(PlannedUnmet, one.merge("date" => one["date"] && Date.iso8601(one["date"])))
              end,
          limits:
            data
              .fetch("limits", [])
              .map do |one|
                PlannedLimit.new(
                  **one.transform_keys(&:to_sym),
                  kind: one.fetch("kind").to_sym,
                  why: Phrase.load(one["why"])
                )
              end
        )
      rescue KeyError, TypeError, NoMethodError, ArgumentError => error
        raise UnreadableError,
              Phrase[
                "planning.planned_week.this_document_is_damaged",
                schema: SCHEMA,
                why: error.message.lines.first.strip
              ]
      end

      def dump_day(day)
        {
          "date" => day.date.to_s,
          "minutes" => yield(day.minutes),
          "budget" => yield(day.budget),
          "items" =>
            day.items.map do |one|
              plain(one).merge("kind" => one.kind.to_s, "minutes" => yield(one.minutes))
            end,
          "warm_ups" => day.warm_ups.map { |one| plain(one).merge("minutes" => yield(one.minutes)) }
        }
      end

      def load_row(data)
        kind = data.fetch("kind").to_sym
        PlannedRow.new(
          **data.transform_keys(&:to_sym).slice(*PlannedRow.members),
          kind: kind,
          title: Phrase.unpack(data.fetch("title")),
          why: Phrase.unpack(data.fetch("why"))
        )
      end

      def load_day(data)
        PlannedDay.new(
          date: Date.iso8601(data.fetch("date")),
          minutes: exact(data.fetch("minutes")),
          budget: exact(data["budget"] || data.fetch("minutes")),
          items: data.fetch("items").map { |one| load_item(one) },
          warm_ups:
            data
              .fetch("warm_ups", [])
              .map { |one| value(PlannedWarmUp, one.merge("minutes" => exact(one["minutes"]))) }
        )
      end

      def load_item(data)
        kind = data.fetch("kind")
        value(
          PlannedItem,
          data.merge(
            "kind" => FORMERLY.fetch(kind, kind).to_sym,
            "minutes" => exact(data.fetch("minutes"))
          )
        )
      end

      # Exact as "41/30"; weeks kept before had numbers, in halves.
      def exact(number) = Rational(number.to_s)

      def plain(value) = value.to_h.transform_keys(&:to_s)

      # What is said in our words: a string there was kept before phrases were. Other
      # titles may be somebody's own.
      SAID = %i[why place arithmetic breaks stage].freeze
      OWN = %i[extra_work added].freeze

      # What a kind of value does not have is passed over: older weeks held more.
      def value(kind, data)
        fields = data.transform_keys(&:to_sym).slice(*kind.members)
        ours = fields.key?(:step_id) && !OWN.include?(fields[:kind])
        kind.new(
          **fields,
          title: ours ? Phrase.load(fields[:title]) : Phrase.unpack(fields[:title]),
          **fields.slice(*SAID).transform_values { |text| Phrase.load(text) }
        )
      end
      private_class_method :data,
                           :cell,
                           :dump_day,
                           :load_row,
                           :load_day,
                           :load_item,
                           :exact,
                           :plain,
                           :value
    end
  end
end
