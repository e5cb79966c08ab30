# frozen_string_literal: true

module Stairwell
  module Server
    module Features
      # A week sheet: nothing but what the student needs at the piano.
      class SheetJson
        # What stands beside the plan: :name and :path of brothers' and sisters' sheets, rows of the
        # family's messages, :day and :recap of the last lessons that were finished, the newest
        # first, and rows of marks of what is no step.
        Beside =
          Stairwell.value(family: [].freeze, messages: [].freeze, told: [].freeze, marks: [].freeze)

        # @param sheet [Studio::Sheet]
        def initialize(sheet)
          @sheet = sheet
          @record = sheet.record
        end

        # @return [Hash] see the contract's Sheet; what stands beside the plan is put in by
        #   {.beside}
        def to_h
          {
            student: @record.student.name,
            studio: @record.settings.name,
            today: @record.today.to_s,
            next_lesson: @sheet.next_lesson&.to_s,
            lesson_time: @sheet.lesson_time,
            over: @sheet.over?,
            paused: !@record.student.paused_on.nil?,
            family: [],
            messages: [],
            recap: nil,
            told_before: [],
            rows: @sheet.rows.map { |row| row.to_h.slice(:id, :kind, :title, :piece, :short_day) },
            days: @sheet.days.map { |one| day(one) },
            pieces:
              @record.pieces.map do |one|
                { title: one.title, percent: one.percent, climb: StairsJson.small(one) }
              end,
            reads: @record.student.reads,
            locale: @record.student.locale.to_s,
            skip: @sheet.skip,
            skip_on: @sheet.skip_on&.to_s,
            cautions: @sheet.cautions.map { |one| one.to_h.merge(topic: one.topic.to_s) }
          }
        end

        # @param sheet [Studio::Sheet]
        # @return [Hash] as {#to_h}, its names as text
        def self.plain(sheet) = JSON.parse(JSON.generate(new(sheet).to_h))

        # @param json [Hash] as {.plain} gives it
        # @param beside [Beside]
        # @return [Hash] with what stands beside the plan
        def self.beside(json, beside)
          marks = beside.marks.group_by { |row| [row[:day].to_s, row[:step_id]] }
          recaps = beside.told.map { |row| { day: row[:day].to_s, text: row[:recap] } }
          json.merge(
            "family" => beside.family,
            "messages" => messages(beside.messages),
            "recap" => recaps.first,
            "told_before" => recaps.drop(1),
            "days" =>
              json["days"].map do |day|
                day.merge(
                  %w[warm_ups extra_work].to_h do |name|
                    [
                      name,
                      day[name].map do |one|
                        one.merge(once(marks.fetch([day["date"], one["id"]], [])))
                      end
                    ]
                  end
                )
              end
          )
        end

        # Exercises that begin a day and extra work are tapped as steps are, once.
        def self.once(rows) =
          Studio::Tapped
            .of(rows.map { |row| Repositories::Marks.value(row) })
            .slice(:done, :last_mark, :keys)
            .transform_keys(&:to_s)
        private_class_method :once

        # What of a day taps change.
        # @param day [Studio::SheetDay]
        # @return [Hash]
        def self.counted(day) =
          { minutes_done: Units.halves(day.minutes_done).to_f, struggle: day.struggle? }

        # What of an item taps change.
        # @param item [Studio::SheetItem]
        # @return [Hash]
        def self.tapped(item) = item.to_h.slice(:done, :struggle, :hurts, :last_mark, :keys)

        # @param rows [Array<Hash>]
        # @return [Array<Hash>] see the contract's SheetMessage
        def self.messages(rows) =
          rows.map do |row|
            row.slice(:key, :text).merge(day: row[:day].to_s, read: !row[:read_at].nil?)
          end

        private

        def day(one)
          {
            date: one.date.to_s,
            minutes: Units.halves(one.minutes).to_f,
            **self.class.counted(one),
            items: one.items.map { |each| item(each) },
            warm_ups:
              one.warm_ups.map { |each| each.to_h.merge(minutes: Units.halves(each.minutes).to_f) },
            extra_work:
              one.others.map do |each|
                {
                  **each.to_h.slice(:id, :title, :one_of, :row),
                  kind: each.kind.to_s,
                  minutes: Units.halves(each.minutes).to_f
                }
              end
          }
        end

        def item(one)
          planned = one.item
          planned
            .to_h
            .slice(:assignment_id, :step_id, :piece, :section, :tempo, :repetitions)
            .merge(
              minutes: Units.halves(planned.minutes).to_f,
              kind: planned.kind.to_s,
              row: planned.row,
              stage: planned.stage,
              **one.to_h.slice(:title, :place, :how, :done_when, :notes, :set_aside),
              **self.class.tapped(one),
              hands: one.step.hands.to_s,
              tempos: one.step.tempos(planned.repetitions),
              actions: one.actions.map(&:to_s),
              picture:
                one.where.picture.map { |page| { page: page.page, lines: page.lines.map(&:to_h) } },
              score: one.where.score,
              beat: one.where.beat.to_h,
              starts: one.where.starts.map { |key| key.to_h.merge(hand: key.hand.to_s) },
              bars: one.where.bars.map { |span| { from: span.from, to: span.to } }
            )
        end
      end
    end
  end
end
