# frozen_string_literal: true

module Stairwell
  module Server
    module Features
      # A lesson: what was practised this week, what is heard today, and the week that
      # follows from it.
      class LessonJson
        # What stands beside the record: rows of the student, of today's lesson (nil before
        # anything was written), of what is lent; and what whoever looks may do.
        Beside = Stairwell.value(:row, :lesson, :lent, :may)

        # @param record [Studio::Record]
        # @param beside [Beside]
        # @param account_id [Integer] who looks
        # @param changed [Array<String>] what the last result changed in the week
        # @param outlooks [Hash{Integer => Studio::Outlook}, nil] where they are known already
        def initialize(record, beside, account_id, changed: [], outlooks: nil)
          @outlooks = outlooks
          @record = record
          @beside = beside
          @account_id = account_id
          @changed = changed
          @steps = Studio::LessonSteps.new(record).to_a
          @next_week = Studio::PlanWeek.ahead(record, from: record.today + 1)
        end

        # @return [String] written from the plan
        def recap = @recap ||= Studio::LessonRecap.write(@record, @steps, @next_week)

        # @param locale [Symbol]
        # @return [String] the same in that language
        def recap_in(locale) =
          if locale == @record.student.locale
            recap
          else
            Studio::LessonRecap.write(
              @record.with(student: @record.student.with(locale: locale)),
              @steps,
              @next_week
            )
          end

        # @return [Hash] see the contract's Lesson
        def to_h
          practised = Studio::Practised.new(@record.week, @record.pieces)
          {
            student: SettingsJson.of(@beside.row),
            today: @record.today.to_s,
            practised: {
              done: practised.done,
              of: practised.of
            },
            steps: @steps.map { |one| step(one) },
            hear_first: self.class.hear_first(@steps),
            changed: @changed,
            introductions: introductions,
            next_week: Planning::WeekDocument.said(@next_week),
            overrides: OverridesJson.of(@record, @next_week.next_lesson),
            lent:
              @beside.lent.map { |row| row.slice(:id, :title).merge(lent_on: row[:lent_on].to_s) },
            lesson: self.class.notes(@beside.lesson, @account_id),
            recap: recap,
            may: @beside.may,
            outlooks:
              self.class.outlooks(@record.pieces, @outlooks || Studio::Outlooks.settled(@record))
          }
        end

        # @param steps [Array<Studio::LessonStep>]
        # @return [Hash, nil] see the contract's HearFirst
        def self.hear_first(steps) =
          steps
            .find(&:first)
            &.then { |one| { title: one.step.title, piece: one.piece.title, first: one.first } }

        # @param pieces [Array<Studio::PieceInHand>]
        # @param outlooks [Hash{Integer => Studio::Outlook}]
        # @return [Array<Hash>]
        def self.outlooks(pieces, outlooks)
          pieces.filter_map do |one|
            (outlook = outlooks[one.id]) &&
              {
                id: one.id,
                piece: one.title,
                late: outlook.late?,
                due_on: outlook.due_on&.to_s,
                **outlook.to_display.except(:planned)
              }
          end
        end

        # @param row [Hash, nil] of a lesson
        # @return [Hash] its own words; see the contract's LessonNotes
        def self.notes(row, account_id)
          return { recap: nil, notes: "", version: 0, finished: false, by: nil } unless row

          row.slice(:recap, :notes, :version).merge(
            finished: !row[:finished_at].nil?,
            by: (row[:writer] if row[:written_by] != account_id)
          )
        end

        private

        def step(one)
          heard = one.heard
          StepJson.of(one.standing, one.piece.progress).merge(
            assignment_id: one.piece.id,
            piece: one.piece.title,
            result: heard&.result&.to_s,
            recorded_by: heard&.by,
            days: one.boxes.map { |box| DayBoxJson.of(box) },
            first: one.first,
            row: one.row&.to_h&.slice(:id, :title),
            reached: one.reached,
            hurt_on: one.hurt_on&.to_s,
            details: heard&.to_h&.slice(*Studio::Hear::DETAILS),
            bars: bars(one),
            hands: one.step.hands.to_s
          )
        end

        def bars(one)
          map = one.piece.page.map
          one
            .step
            .spans
            .flat_map(&:bars)
            .uniq
            .first(Limits::BARS_BY_NAME)
            .select { |index| index <= map.bars.size }
            .map { |index| { bar: index, name: map.bar(index).name } }
        end

        # Sections that open when they are shown, and what they are in.
        def introductions
          @record.pieces.flat_map do |one|
            one.progress.introductions.map do |what, introduced|
              { assignment_id: one.id, piece: one.title, what: what, introduced: introduced }
            end
          end
        end
      end
    end
  end
end
