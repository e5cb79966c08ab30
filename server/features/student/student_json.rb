# frozen_string_literal: true

module Stairwell
  module Server
    module Features
      # A student as the student's page shows one.
      class StudentJson
        # What stands beside the record, as rows.
        Beside =
          Stairwell.value(
            :row,
            :repertoire,
            :lessons,
            :heard,
            :counted,
            :drills,
            :sheet_path,
            :calendar_path,
            :context,
            :covers,
            :names,
            :family,
            :may
          )

        # @param record [Studio::Record]
        # @param beside [Beside]
        def initialize(record, beside)
          @record = record
          @beside = beside
          # Nothing is planned of one who has left.
          @week = Studio::PlanWeek.mended(record, record.weeks.newest) unless beside.row[:left_on]
          @looking = Studio::Outlooks.new(record)
          @outlooks = Outlooks.of(beside.context, record)
        end

        # @param one [Studio::ExtraWork]
        # @return [Hash] see the contract's ExtraWork
        def self.extra_work(one) = one.to_h.except(:key, :since).merge(minutes: one.minutes.to_f)

        # @return [Hash] see the contract's Student
        def to_h
          climb = Studio::Climb.new(@record, @looking.load, @outlooks)
          SettingsJson.of(@beside.row).merge(
            pieces:
              @record.pieces.map do |one|
                piece(one).merge(
                  outlook: StudentJson.outlook(@outlooks.fetch(one.id)),
                  stairs: StairsJson.of(climb.of(one))
                )
              end,
            adherence: @looking.adherence&.then { |share| (share * 100).round },
            rests_on: @looking.basis,
            timing: Studio::Timed.words(@record),
            pace: @record.pace.to_f.round(2),
            extra_work: @record.extra_work.map { |one| StudentJson.extra_work(one) },
            week: @week && Planning::WeekDocument.said(@week),
            overrides:
              OverridesJson.of(@record, @week ? @week.next_lesson : @looking.load.next_lesson),
            weeks: Studio::PastWeeks.new(@record, counted).to_a.map { |one| past_week(one) },
            attention: attention,
            repertoire: @beside.repertoire.map { |row| ended(row) },
            lessons: @beside.lessons.map { |row| lesson(row) },
            drills: @beside.drills.map { |row| row.merge(day: row[:day].to_s) },
            sheet_path: @beside.sheet_path,
            today: @record.today.to_s,
            may: @beside.may,
            left_on: @beside.row[:left_on]&.to_s,
            erasing_on: @beside.row[:erased_at]&.then { |at| @beside.context.date_of(at).to_s },
            paused_on: @beside.row[:paused_on]&.to_s,
            coming: coming.map { |one| LessonTimeJson.of(one, @beside.names, @beside.may) },
            consent: Keeping.consent(@beside.row, @beside.context.studio),
            family: @beside.family.map { |row| row.slice(:id, :name) },
            calendar_path: @beside.calendar_path
          )
        end

        # @param piece [Studio::PieceInHand]
        # @return [Array<Hash>] what is left out or made easier to be ready by its date
        def self.measures(piece) =
          Studio::Backwards.in_words(piece).map { |id, words| { id: id, words: words.to_s } }

        # @param one [Studio::Outlook]
        # @return [Hash] see the contract's Outlook
        def self.outlook(one) = one.to_display.merge(due_on: one.due_on&.to_s, late: one.late?)

        private

        def attention
          return [] if @beside.row[:left_on]

          ConcernsJson.of(Studio::Concerns.of(@record, @outlooks, week: @week))
        end

        def piece(one)
          one
            .to_h
            .slice(:id, :piece_id, :title, :hand_order, :target_tempo, :priority, :introduce_first)
            .merge(
              routine: @record.routine(one.routine).name,
              due_on: one.due_on&.to_s,
              without: one.choices["without"].to_a,
              backwards: StudentJson.measures(one),
              section_order: one.choices.fetch("section_order", "piece"),
              sections: Studio::SectionOrder.sections(one),
              introductions:
                one.progress.introductions.map do |what, introduced|
                  { what: what, introduced: introduced }
                end,
              percent: one.percent,
              steps:
                one.progress.standings.values.map { |standing| StepJson.of(standing, one.progress) }
            )
        end

        # Lessons ahead; none of one who pauses or has left.
        def coming
          return [] if @beside.row[:paused_on] || @beside.row[:left_on]

          days = @record.today..(@record.today + Limits::DAYS_AHEAD)
          table =
            Timetable.new(
              @beside.context,
              days,
              students: [@beside.row],
              changed: {
                @beside.row[:id] => @record.appointments
              },
              covers: @beside.covers
            )
          table.between(days.begin, days.end).first(Limits::LESSONS_AHEAD)
        end

        def lesson(row) =
          row.merge(
            day: row[:day].to_s,
            recap: row[:recap].to_s,
            heard: @beside.heard.fetch([@record.student.id, row[:day]], [])
          )

        def counted
          @beside.counted.map do |row|
            Studio::PastWeeks::Counted.new(
              **row.slice(:assignment_id, :step_id, :repetitions),
              date: row[:day],
              struggle: row[:struggles].positive?
            )
          end
        end

        def past_week(one)
          {
            starts: one.starts.to_s,
            next_lesson: one.next_lesson.to_s,
            planned: one.planned,
            practised: one.practised,
            minutes: one.minutes.to_f.round(1),
            planned_minutes: one.planned_minutes.to_f.round(1),
            days: one.boxes.map { |box| DayBoxJson.of(box) },
            steps: one.steps.map(&:to_h)
          }
        end

        def ended(row)
          row.slice(:id, :piece_id, :title, :ended).merge(
            assigned_on: row[:assigned_on].to_s,
            ended_on: row[:ended_on].to_s,
            keep_for: row[:keep_for]&.to_s
          )
        end
      end
    end
  end
end
