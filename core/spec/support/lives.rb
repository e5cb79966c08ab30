# frozen_string_literal: true

require_relative "making"
require_relative "records"

# Students of several kinds, none of which shares a formula with the forecast, live through
# the plans of one piece, from the day it was assigned to the day all of it is steady. All
# chances are our own choice, spread about what is stated of a usual student.
class Lives
  include Making
  include Records

  # What was foretold when the piece was assigned, and when half of it was steady; and when
  # it was done.
  Life = Struct.new(:start, :half, :finished, :kept, :went, keyword_init: true)

  Progress = Stairwell::Progress
  Studio = Stairwell::Studio
  LONGEST = 700
  PAGES = [
    "title: The Lock Gate\nbars: 16\ntempo: target 80\nsection A: 1-4\nsection B: 5-8\nsection C: 9-12\nsection D: 13-16 like A moved",
    "title: Eel Weir\nbars: 8\ntempo: target 60\nsection A: 1-4\nsection B: 5-8 difficulty 4",
    "title: Long Reach\nbars: 24\ntime: 3/4\ntempo: target 92\nsection A: 1-8\nsection B: 9-16 difficulty 4\nsection A1: 17-24 like A except 24"
  ].freeze

  # How practice of a step goes, by kind of student.
  #
  # - skilled: what is new goes badly until skill has grown; it fades on days without
  # - chance: each step has its own luck, and weeks have moods
  # - walls: some steps do not go at all until they were met often, or made smaller
  # - hasty: a day is not always done to its end
  KINDS = %i[skilled chance walls hasty].freeze

  # @param kind [Symbol] of {KINDS}
  # @param seed [Integer]
  # @param introduce [Boolean] whether sections are shown one after another
  def initialize(kind, seed, introduce: false)
    @kind = kind
    # Forecasts draw their luck by it.
    @id = 1 + (seed * KINDS.size + KINDS.index(kind)) % 9_973
    @random = Random.new((seed * KINDS.size) + KINDS.index(kind) + 1_000_003)
    @introduce = introduce
    @script = PAGES.sample(random: @random)
    @days_of_week = (0..6).to_a.sample(@random.rand(3..6), random: @random).sort
    @minutes = [10, 15, 20, 30].sample(random: @random)
    @begin_per_day = @random.rand(1..3)
    @rate = 0.4 + @random.rand * 0.5
    @week_is_good = true
    @trait = Math.exp(normal * 0.25)
    @steps =
      Hash.new do |all, id|
        all[id] = {
          hard: Math.exp(normal * 0.5),
          bad: (@random.rand**3) * 0.35,
          wall: @random.rand < 0.15,
          met: 0,
          skill: 0.0,
          last: nil
        }
      end
    @keys = 0
  end

  # @return [Life]
  def live
    begin_life
    start = promise
    half = nil
    first = @record.today
    LONGEST.times do
      practise
      if done?
        return(
          Life.new(
            start: start,
            half: half,
            finished: @record.today,
            kept: @kept.fdiv(@days),
            went: @went.fdiv([@tried, 1].max)
          )
        )
      end

      lesson if @record.timetable.held?(@record.today)
      if done?
        return(
          Life.new(
            start: start,
            half: half,
            finished: @record.today,
            kept: @kept.fdiv(@days),
            went: @went.fdiv([@tried, 1].max)
          )
        )
      end

      half ||= promise if share >= 0.5
      tomorrow
    end
    raise "a life of #{LONGEST} days from #{first}"
  end

  private

  def begin_life
    @days = @kept = @tried = @went = 0
    made =
      record(
        id: @id,
        introduce_first: @introduce,
        practice_days: @days_of_week,
        minutes_a_day: @minutes,
        begin_per_day: @begin_per_day
      )
    map = page(@script)
    piece =
      made.pieces.first.with(
        progress: Progress.piece(Stairwell::Practice.steps(map), [], introduce_first: @introduce),
        introduce_first: @introduce,
        page: Studio::Page.new(document: JSON.generate(Stairwell::Score::Document.dump(map)))
      )
    @record = made.with(pieces: [piece])
    introduce
    plan
  end

  def piece = @record.pieces.first

  def share = piece.progress.share

  def done? = piece.progress.standings.values.all?(&:done?)

  def promise = Studio::Outlooks.new(@record).to_h.fetch(piece.id)

  def plan = @record = Studio::Change.new(record: @record).planned.record

  def tomorrow
    date = @record.today + 1
    @record = @record.with(today: date, moment: date.to_time, heard_today: {}, introduced_today: [])
    @week_is_good = @random.rand < (@week_is_good ? 0.8 : 0.55) if date.monday?
  end

  # Good and bad spells about the rate of the long run.
  def kept? = @random.rand < (@rate + (@week_is_good ? 0.1 : -0.25)).clamp(0.05, 0.98)

  def practise
    planned = todays_steps
    return unless planned&.any?

    @days += 1
    return unless kept?

    @kept += 1
    tired = @kind == :hasty && @random.rand < 0.25
    items = tired ? planned.first((planned.size / 2.0).ceil) : planned
    marks = items.flat_map { |item| marks(item) }
    @record =
      @record.with_piece(piece.after(*marks)).with(
        practised_on: @record.practised_on | [@record.today]
      )
  end

  # @return [Array<#step_id, #repetitions>, nil]
  def todays_steps = Studio::PlanWeek.mended(@record, @record.week)&.day(@record.today)&.steps

  def marks(item)
    bad = bad?(item.step_id)
    @tried += 1
    @went += 1 unless bad
    kinds = [:repetition] * item.repetitions + (bad ? [:struggle] : [])
    kinds.map do |kind|
      Progress::Mark.new(
        key: (@keys += 1).to_s,
        step_id: item.step_id,
        date: @record.today,
        kind: kind,
        at: @record.moment,
        asked: item.repetitions
      )
    end
  end

  def bad?(id)
    step = @steps[id]
    step[:met] += 1
    case @kind
    when :skilled
      step[:skill] < 1 && learn(step) && @random.rand < 0.35 * (1 - step[:skill]).clamp(0, 1)
    when :walls
      @random.rand < ((step[:wall] && step[:met] <= 4 && !id.include?("~")) ? 0.6 : 0.05)
    else
      @random.rand < (step[:bad] + (@week_is_good ? -0.03 : 0.06)).clamp(0.01, 0.9)
    end
  end

  def learn(step)
    faded = step[:last] ? 0.97**(@record.today - step[:last] - 1) : 1
    step[:last] = @record.today
    step[:skill] = (step[:skill] * faded) + (0.4 / (step[:hard] * @trait))
  end

  # Of each section in hand and each join what it has come to is heard, wrongly now and then.
  def lesson
    reached.each do |one|
      event =
        Progress::LessonResult.new(
          step_id: one.step.id,
          date: @record.today,
          result: result(one),
          at: @record.moment
        )
      @record =
        @record.with_piece(piece.after(event)).with(lessons: @record.lessons | [@record.today])
    end
    introduce
    plan
  end

  def reached =
    piece
      .progress
      .standings
      .values
      .select { |one| one.days.keys.any? { |date| date > @record.today - 8 } && !one.done? }
      .group_by { |one| one.step.section || one.step.id }
      .values
      .map(&:last)
      .first(4)

  # A teacher hears what is nearly there as steady, and gives what was hardly practised another
  # week.
  def result(one)
    said = one.credited.fdiv(one.good_days) + (normal * 0.3)
    said -= 0.2 if @kind == :walls && @steps[one.step.id][:wall]
    return :steady if said > 0.8
    return :shaky if said > 0.2

    (@random.rand < 0.4) ? :not_yet : :not_heard
  end

  # About eight bars a lesson.
  def introduce
    return unless @introduce

    waiting = piece.progress.introductions.reject(&:last).map(&:first)
    bars = 0
    shown =
      waiting.take_while.with_index do |label, at|
        bars += piece.page.map.sections.find { |section| section.label == label }.bars.size
        at.zero? || bars <= 8
      end
    events =
      shown.map do |label|
        Progress::Introduction.new(what: label, introduced: true, at: @record.moment)
      end
    @record = @record.with_piece(piece.after(*events)) if events.any?
  end

  # Two uniform numbers make a normal one (Box and Muller, 1958).
  def normal = Math.sqrt(-2 * Math.log(1 - @random.rand)) * Math.cos(2 * Math::PI * @random.rand)
end
