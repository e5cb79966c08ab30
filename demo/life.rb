# frozen_string_literal: true

module Demo
  # Some weeks of one student, lived in memory and written down at the end: days of
  # practice, lessons with results and recaps, sections introduced, pieces passed and
  # the next ones assigned. Chance comes from a seed.
  class Life
    Studio = Stairwell::Studio
    Progress = Stairwell::Progress
    # Share of planned days that are kept, and of steps that go on a kept day.
    ADHERENCE = { well: 0.93, middling: 0.72, stuck: 0.38 }.freeze
    STRUGGLE = { well: 0.04, middling: 0.12, stuck: 0.3 }.freeze
    RESULTS = {
      well: %i[steady secure secure steady shaky],
      middling: %i[shaky steady not_yet steady],
      stuck: %i[not_yet shaky not_yet shaky]
    }.freeze
    # What a repetition takes beside the estimate, and how often all boxes are ticked in one go.
    TAKES = { well: 1.0, middling: 1.5, stuck: 1.3 }.freeze
    AT_ONCE = 0.1
    # Steps of a piece that are heard at a lesson, at the most; pieces in hand at once;
    # and shares of a piece that are steady before the next comes, or it is passed.
    HEARD = 3
    IN_HAND = 2
    NEXT = 0.45
    PASSED = 0.97

    # @param record [Studio::Record]
    # @param waiting [Array<Studio::Assignment>] assigned one after another
    # @param ids [Proc] gives the number of the next assignment
    def initialize(record, waiting, ability:, teacher_id:, random:, ids:)
      @record = record
      @waiting = waiting
      @ability = ability
      @teacher_id = teacher_id
      @random = random
      @ids = ids
      @rows = Hash.new { |all, table| all[table] = [] }
      @second = 0
      @watch = Random.new(record.student.id)
    end

    # @param dates [Enumerable<Date>]
    # @return [Hash{Symbol => Array<Hash>}] rows by table, in the order they can be
    #   written
    def live(dates)
      begin_day(dates.first)
      assign
      dates.each do |date|
        begin_day(date)
        practise
        lesson if @record.timetable.held?(date)
      end
      @rows
    end

    private

    def today = @record.today

    def begin_day(date)
      @record =
        @record.with(today: date, moment: moment(date), heard_today: {}, introduced_today: [])
    end

    def moment(date = today) = Time.utc(date.year, date.month, date.day, 12) + (@second += 1)

    def uuid =
      @random
        .bytes(16)
        .unpack1("H*")
        .then do |hex|
          [hex[0, 8], hex[8, 4], "4#{hex[13, 3]}", "8#{hex[17, 3]}", hex[20, 12]].join("-")
        end

    # The next piece comes when there is room for it; then the week is planned.
    def assign
      while @waiting.any? && @record.pieces.size < IN_HAND &&
              @record.pieces.all? { |one| one.progress.share > NEXT }
        change = Studio.assign(@record, @waiting.shift, id: @ids.call, key: uuid)
        change.assigned.each do |piece|
          @rows[:assignments] << columns(piece).merge(assigned_by: @teacher_id, assigned_at: moment)
        end
        change
          .added
          .fetch(:introductions, [])
          .each { |row| @rows[:introductions] << row.merge(made_by: @teacher_id, made_at: moment) }
        @record = change.record
      end
      keep(Studio.plan(@record, from: today + 1))
    end

    def columns(piece)
      piece
        .to_h
        .slice(
          :id,
          :piece_id,
          :revision,
          :routine,
          :hand_order,
          :target_tempo,
          :priority,
          :introduce_first
        )
        .merge(
          choices: Sequel.pg_jsonb(piece.choices),
          steps: Sequel.pg_jsonb(piece.progress.own.map(&:to_data))
        )
    end

    def keep(change)
      @record = change.record
      week = change.week
      @rows[:week_plans] << {
        starts: week.planned_from,
        next_lesson: week.next_lesson,
        plan: Sequel.pg_jsonb(Stairwell::Planning::WeekDocument.dump(week)),
        made_at: moment
      }
    end

    def practise
      day = @record.week&.day(today)
      return unless day && @random.rand < ADHERENCE[@ability]

      day.steps.each do |item|
        done =
          (@random.rand < ADHERENCE[@ability]) ? item.repetitions : @random.rand(item.repetitions)
        kinds = [:repetition] * done
        kinds << :struggle if done.positive? && @random.rand < STRUGGLE[@ability]
        tap(item, kinds) if kinds.any?
      end
    end

    def tap(item, kinds)
      step = @record.standing(item).step
      tapped = moment
      @ticked_at_once = @watch.rand < AT_ONCE
      marks =
        kinds.map do |kind|
          Progress::Mark.new(
            key: uuid,
            step_id: item.step_id,
            date: today,
            kind: kind,
            at: moment,
            asked: item.repetitions,
            tapped_at: tapped += seconds(step)
          )
        end
      @record =
        @record.with_piece(@record.piece(item.assignment_id).after(*marks)).with(
          practised_on: @record.practised_on | [today]
        )
      @rows[:practice_marks].concat(
        marks.map do |mark|
          {
            assignment_id: item.assignment_id,
            step_id: mark.step_id,
            key: mark.key,
            day: today,
            kind: mark.kind.to_s,
            made_at: mark.at,
            asked: mark.asked,
            tapped_at: mark.tapped_at
          }
        end
      )
    end

    # A repetition takes some longer than estimated; now and then all boxes are ticked in one go.
    def seconds(step)
      return 1 if @ticked_at_once

      Stairwell::Practice::Estimate.seconds(
        counts: step.counts,
        tempo: step.tempo || Stairwell::Constants::ASSUMED_TEMPO
      ) * TAKES[@ability] * (0.8 + @watch.rand * 0.4)
    end

    def lesson
      @record.pieces.each { |piece| hear(piece) }
      @record.pieces.each { |piece| introduce(piece) }
      pass
      assign
      recap =
        Studio::LessonRecap.write(
          @record,
          Studio::LessonSteps.new(@record).to_a,
          Studio::PlanWeek.ahead(@record, from: today + 1)
        )
      @rows[:lessons] << {
        day: today,
        recap: recap,
        notes: "",
        opened_by: @teacher_id,
        opened_at: moment,
        finished_by: @teacher_id,
        finished_at: moment
      }
    end

    def hear(piece)
      tried =
        Studio::LessonSteps
          .new(@record)
          .to_a
          .select { |one| one.reached && one.piece.id == piece.id && one.standing.days.any? }
          .map(&:standing)
          .reject(&:done?)
          .first(HEARD)
      tried.each do |one|
        result, at = RESULTS[@ability].sample(random: @random), moment
        event =
          Progress::LessonResult.new(step_id: one.step.id, date: today, result: result, at: at)
        heard = { [piece.id, one.step.id] => Studio::HeardToday.new(result: result) }
        @record =
          @record.with_piece(@record.piece(piece.id).after(event)).with(
            heard_today: @record.heard_today.merge(heard),
            lessons: @record.lessons | [today]
          )
        @rows[:lesson_results] << {
          assignment_id: piece.id,
          step_id: one.step.id,
          key: uuid,
          day: today,
          result: result.to_s,
          recorded_by: @teacher_id,
          made_at: at
        }
      end
    end

    # The next section is introduced once the last one is under way.
    def introduce(piece)
      shown, waiting =
        piece
          .progress
          .introductions
          .partition { |_, introduced| introduced }
          .map { |all| all.map(&:first) }
      if waiting.empty? ||
           piece.progress.standings.values.none? { |one|
             one.step.section == shown.last && one.credited.positive?
           }
        return
      end

      event = Progress::Introduction.new(what: waiting.first, introduced: true, at: moment)
      @record =
        @record.with_piece(@record.piece(piece.id).after(event)).with(
          introduced_today: [waiting.first]
        )
      @rows[:introductions] << {
        assignment_id: piece.id,
        what: waiting.first,
        introduced: true,
        key: uuid,
        day: today,
        made_by: @teacher_id,
        made_at: event.at
      }
    end

    # What is nearly all steady is passed, and makes room for the next piece.
    def pass
      done, left = @record.pieces.partition { |one| one.progress.share > PASSED }
      done.each do |one|
        @rows[:assignments]
          .find { |row| row[:id] == one.id }
          .update(ended: "passed", ended_on: today)
      end
      @record = @record.with(pieces: left)
    end
  end
end
