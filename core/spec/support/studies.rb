# frozen_string_literal: true

require_relative "making"
require_relative "records"

# Students with one to three pieces under each shipped routine, week after week, with some days
# kept and most things going well. All chances are our own choice.
class Studies
  include Making
  include Records

  Progress = Stairwell::Progress
  Studio = Stairwell::Studio
  # Each with sections that are alike, a jump, or a hard place.
  PAGES = [
    "title: Lantern Row\nbars: 8\ntempo: target 66\nsection A: 1-4\nsection B: 5-8",
    "title: Eel Weir\nbars: 16\ntempo: target 76\nsection A: 1-4\nsection A1: 5-8 like A except 8\nsection B: 9-12\nsection C: 13-16\nspot: 11 leap",
    "title: The Mill\nbars: 25\ntempo: target 76\nsection A: 1-4\nsection B: 5-8\nsection C: 9-12\nsection D: 13-20\nsection E: 21-25\nto coda: 12\ncoda: 21\nda capo: 20 al coda",
    "title: Long Reach\nbars: 40\ntempo: target 92\nsection A: 1-8\nsection B: 9-16 difficulty 4\nsection A1: 17-24 like A\nsection C: 25-32\nsection D: 33-40 difficulty 5"
  ].freeze

  # One week as it was planned: the record it was planned from, and the plan.
  Seen = Struct.new(:record, :week)

  # @param seed [Integer] chooses student, routine and pieces
  def initialize(seed)
    @random = Random.new(seed)
    routines = Stairwell::Practice::ROUTINES.keys
    @routine = routines[seed % routines.size]
    child = @random.rand < 0.6
    @record =
      record(
        id: seed + 1,
        child: child,
        reads: !child || @random.rand < 0.6,
        introduce_first: child,
        minutes_a_day: [10, 15, 20, 30, 45].sample(random: @random),
        practice_days: (0..6).to_a.sample(@random.rand(3..6), random: @random).sort
      )
    @record = @record.with(pieces: pieces(1 + seed % 3, child))
    @rate = 0.5 + (@random.rand * 0.45)
    @keys = 0
  end

  # @param count [Integer] of weeks
  # @return [Array<Seen>]
  def weeks(count) =
    Array
      .new(count) do
        introduce
        @record = Studio::Change.new(record: @record).planned.record
        seen = Seen.new(@record, Studio::Workload.new(@record).planned_week)
        live(seen.week)
        seen
      end
      .reject { |seen| seen.record.pieces.all? { |piece| done?(piece) } }

  private

  def pieces(count, introduce_first)
    base = @record.pieces.first
    PAGES
      .sample(count, random: @random)
      .each_with_index
      .map do |script, at|
        map = page(script)
        steps =
          Stairwell::Practice.steps(map, routine: Stairwell::Practice::ROUTINES.fetch(@routine))
        base.with(
          id: at + 7,
          title: map.title,
          routine: @routine,
          introduce_first: introduce_first,
          progress: Progress.piece(steps, [], introduce_first: introduce_first),
          page: Studio::Page.new(document: JSON.generate(Stairwell::Score::Document.dump(map)))
        )
      end
  end

  def done?(piece) = piece.progress.standings.values.all?(&:done?)

  # The days of a week and the lesson that ends it.
  def live(week)
    week.days.each { |day| practise(day) if @random.rand < @rate }
    @record = moved_to(week.next_lesson)
    @record.pieces.each { |piece| hear(piece, week) }
  end

  def moved_to(date) =
    @record.with(today: date, moment: date.to_time + 3600, heard_today: {}, introduced_today: [])

  def practise(day)
    day.steps.each do |item|
      bad = @random.rand < 0.1
      kinds = ([:repetition] * item.repetitions) + (bad ? [:struggle] : [])
      marks = kinds.map { |kind| mark(item, day.date, kind) }
      @record = @record.with_piece(@record.piece(item.assignment_id).after(*marks))
    end
    @record = @record.with(practised_on: @record.practised_on | [day.date])
  end

  def mark(item, date, kind) =
    Progress::Mark.new(
      key: (@keys += 1).to_s,
      step_id: item.step_id,
      date: date,
      kind: kind,
      at: date.to_time,
      asked: item.repetitions
    )

  # What each section and join has come to: most of it well.
  def hear(piece, week)
    played = week.days.flat_map(&:steps).map(&:step_id)
    reached =
      piece
        .progress
        .standings
        .values
        .select do |standing|
          played.include?(standing.step.id) && standing.days.any? && !standing.done?
        end
        .group_by { |standing| standing.step.section || standing.step.id }
        .values
        .map(&:last)
    results =
      reached.map do |standing|
        Progress::LessonResult.new(
          step_id: standing.step.id,
          date: @record.today,
          result: %i[steady steady steady secure shaky not_yet].sample(random: @random),
          at: @record.moment
        )
      end
    @record = @record.with_piece(piece.after(*results))
  end

  # About eight bars of each piece.
  def introduce
    @record.pieces.each do |piece|
      waiting = piece.progress.introductions.reject(&:last).map(&:first)
      events =
        waiting
          .first(2)
          .map do |what|
            Progress::Introduction.new(what: what, introduced: true, at: @record.moment)
          end
      @record = @record.with_piece(piece.after(*events))
    end
  end
end
