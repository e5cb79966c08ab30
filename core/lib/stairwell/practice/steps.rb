# frozen_string_literal: true

module Stairwell
  module Practice
    # Steps = stages × targets, conditions applied. A section that is the same
    # as an earlier one adds no steps of its own: needs on it resolve to its
    # variant. One that is the same except some bars has steps for those bars only,
    # which need the variant's. Where a stage has no step on a target, what waits
    # for it waits for what that stage waits for.
    class Steps
      # @param map [Score::Map]
      # @param routine [Routine]
      # @param choices [Choices]
      # @raise [ContradictionError] when the map has no section, or the routine
      #   cannot work
      def initialize(map, routine, choices)
        if map.sections.empty?
          raise ContradictionError,
                Phrase["practice.steps.has_no_section_yet_mark_at", title: map.title]
        end

        @map = map = Habits.on(map, choices)
        @choices = choices
        @reading = Roadmap.read(map)
        @share = Sections.new_share(map)
        @routine = routine.chosen(choices, easier: easier)
        RoutineCheck.call(@routine)
        @targets = Targets.new(map, @reading, choices.join)
        @conditions = Conditions.new(map, @share)
        @strain = Strain.new(map)
        @wording = Wording.new(map)
        @aspect_notes = AspectNotes.new(map, counting: choices.counting)
        @target_tempo = choices.target_tempo ? choices.target_tempo.to_r : map.target_tempo
        @learnt_at = (choices.learnt_at || @target_tempo).to_r
      end

      # @return [Array<Step>]
      def to_a
        @waits = Waits.new(@map, @routine, @targets)
        @played = Hash.new { |all, hands| all[hands] = Set.new }
        steps =
          @routine
            .stages
            .flat_map { |stage| parted(stage) }
            .flat_map do |stage|
              @targets
                .on(stage)
                .flat_map do |target|
                  build(stage, target).tap { |built| @waits.made(stage, target, built) }
                end
            end
        in_order(steps.map { |step| @waits.further(step) })
      end

      private

      # The hand with fewer notes to strike; right where nothing is known.
      def easier
        struck =
          Sections::Likeness::HANDS.to_h do |hand|
            [
              hand,
              @map.notes.values.sum { |hands| hands.fetch(hand, []).count { |note| !note.tied } }
            ]
          end
        (struck[:left] < struck[:right]) ? :left : :right
      end

      # What is of the whole piece takes half of its days section by section, where it is to.
      # @return [Array<Stage>]
      def parted(stage)
        return [stage] unless stage.by_section && @map.sections.size > 1

        [
          stage.with(
            scope: :section,
            good_days: (stage.good_days / 2r).ceil,
            repetitions: Constants::REPETITIONS
          ),
          stage.with(good_days: [stage.good_days / 2, 1].max)
        ]
      end

      # @return [Array<Step>] none where the stage does not apply, several where
      #   it is a ladder
      def build(stage, target)
        bars = target.spans.flat_map(&:bars)
        return [] unless applies?(stage, target, bars)
        if stage.ladder
          return(
            rungs(stage, bars).inject([]) do |found, marks|
              found << rung(stage, target, marks, found.last)
            end
          )
        end

        [step(stage, target, stage.tempo_share && slow(stage.tempo_share, bars))]
      end

      # A slow tempo goes by the target tempo it was learnt at, and is never above the target tempo.
      def slow(share, bars) =
        Metronome.at_most([@learnt_at * share, @target_tempo].min * @map.pace(bars.first))

      # Two rungs of the metronome scale to a day, from the tempo of the stages a
      # ladder needs up to the target tempo.
      # @return [Array<Array<Integer>>] the rungs of each step
      def rungs(stage, bars)
        below =
          (stage.needs + stage.everywhere)
            .filter_map { |key| @routine.stage(key) }
            .select { |one| one.scope == stage.scope }
            .filter_map(&:tempo_share)
            .max || Constants::LADDER_FROM
        top = (@target_tempo * stage.tempo_share * @map.pace(bars.first)).round
        marks = Metronome.ladder([slow(below, bars), top].min, top)
        marks
          .drop(1)
          .then { |found| found.empty? ? [top] : found }
          .each_slice(Constants::RUNGS_A_DAY)
          .to_a
      end

      # As often as its rule asks for, each mark so many times clean; once each on a short day.
      def rung(stage, target, marks, before)
        first, last = marks.first, marks.last
        stage = stage.with(repetitions: Constants::CLEAN_GOES_UP * marks.size)
        name =
          (
            if first == last
              Phrase["practice.steps.at", last: last]
            else
              Phrase["practice.steps.at_then", first: first, last: last]
            end
          )
        made =
          step(
            stage,
            target,
            last,
            id: "#{target.key}.#{stage.key}-#{last}",
            title:
              Phrase.list(
                [target.name, Phrase["practice.steps.rung", stage: stage.name, tempo: name]],
                by: :comma
              )
          )
        made = made.with(notes: [*made.notes, Metronome::RULE], fewest: marks.size, marks: marks)
        before ? made.with(needs: made.needs | [before.id]) : made
      end

      # Blocked chords are easier than what is printed.
      def difficulty(target) =
        (@choices.texture == :left_blocked) ? [target.difficulty - 1, 1].max : target.difficulty

      def step(stage, target, tempo, **named)
        bars = target.spans.flat_map(&:bars)
        hands = target.hand || ((stage.hands == :both) && @conditions.one_hand(bars)) || stage.hands
        # A hard place gets eight repetitions where others get five.
        repetitions =
          (
            if target.hard && stage.repetitions < Constants::HARD_REPETITIONS
              (stage.repetitions * Constants::HARD_REPETITIONS / Constants::REPETITIONS.to_r).ceil
            else
              stage.repetitions
            end
          )
        strained = played?(stage) && @strain.at?(bars, hands, tempo)
        repetitions = [repetitions, @choices.most_strenuous].min if strained
        minutes =
          Estimate.minutes(
            counts: target.counts,
            tempo: tempo,
            seconds: stage.seconds,
            repetitions: repetitions
          )
        days =
          Estimate.good_days(
            stage_days: stage.good_days,
            difficulty: difficulty(target),
            new_share: share(stage, target, hands, bars),
            pace: @choices.pace
          )
        Step.new(
          id: "#{target.key}.#{stage.key}",
          stage: stage.key,
          title: Phrase.list([target.name, stage.name], by: :comma),
          section: target.section,
          hands: hands,
          spans: target.spans,
          place: @wording.place(target.spans),
          counts: target.counts,
          tempo: tempo,
          repetitions: repetitions,
          good_days: days,
          minutes: minutes,
          done: stage.done,
          picture: stage.picture,
          aspect: stage.aspect,
          actions: actions(stage, hands),
          hard: target.hard,
          join: stage.scope == :join,
          parts: target.parts,
          introduced_by: stage.introduced_by,
          notes: notes(stage, bars, hands, strained),
          most: strained ? @choices.most_strenuous : Constants::MOST_REPETITIONS,
          seconds: (stage.seconds unless tempo),
          new: newness(stage, target, hands, bars),
          sitting: stage.sitting && "#{target.key}.#{stage.sitting}",
          small_count: small_count?(stage, bars),
          repeats: stage.repeats,
          arithmetic:
            Wording.arithmetic(
              minutes,
              repetitions,
              target.counts,
              tempo,
              days,
              seconds: stage.seconds
            ),
          notes_per_count: notes_per_count(hands, bars),
          **begins(stage, tempo, bars),
          needs: (@waits.for(stage.needs, target) + @waits.in_parts(stage, target)).map(&:id),
          after: @waits.for(stage.after, target).map(&:id),
          **named
        )
      end

      # What is slower than the target, and no ladder, begins at the tempo that the student holds.
      def begins(stage, tempo, bars)
        return {} unless tempo && stage.tempo_share < 1 && !stage.ladder

        { usual: tempo, top: Metronome.at_most(@target_tempo * @map.pace(bars.first)) }
      end

      # Of the hand that has more to strike; nil where no notes are known.
      def notes_per_count(hands, bars)
        struck =
          Sections::Likeness::HANDS
            .select { |hand| [hand, :both].include?(hands) }
            .map { |hand| bars.sum { |bar| struck_in(bar, hand) } }
            .max
            .to_i
        counts = bars.sum(0r) { |bar| @map.bar(bar).counts }
        struck / counts if struck.positive? && counts.positive?
      end

      def struck_in(bar, hand) =
        (@struck_in ||= {})[[bar, hand]] ||= @map
          .notes
          .fetch(bar, {})
          .fetch(hand, [])
          .reject(&:tied)
          .map(&:onset)
          .uniq
          .size

      # How much of its bars is new; joins and spots always are, and a layer that
      # differs is, though its notes are known. What grows is as new as its bars, beside exact
      # repeats.
      def share(stage, target, hands, bars)
        return 1r if target.layers || JOINING.include?(stage.scope)

        @share.mean(bars, HANDS.fetch(hands, hands))
      end

      # How new it is to play: nothing where the same hands played it in a stage before, half as
      # much where each did alone. What only joins is new all the same.
      def newness(stage, target, hands, bars)
        return 0r unless played?(stage)

        differs = target.layers || JOINING.include?(stage.scope)
        all =
          bars.sum(0r) do |bar|
            known(bar, hands, stage.scope) *
              (differs ? 1 : @share.bar(bar, HANDS.fetch(hands, hands)))
          end
        @played[hands].merge(bars)
        all / bars.size
      end

      JOINING = %i[join spot].freeze
      HANDS = { both: :together }.freeze
      private_constant :JOINING, :HANDS

      def known(bar, hands, scope)
        return 1r if JOINING.include?(scope)
        return 0r if @played[:both].include?(bar) || @played[hands].include?(bar)

        if hands == :both && %i[right left].any? { |hand| @played[hand].include?(bar) }
          Constants::NEW_TOGETHER
        else
          1r
        end
      end

      # Not clapped, said or only looked at.
      def played?(stage) = stage.seconds.nil? && !%i[rhythm overview lyrics].include?(stage.aspect)

      def notes(stage, bars, hands, strained)
        counting = [*counting(stage, bars), *@aspect_notes.of(stage, bars, hands)]
        return counting if %i[rhythm overview lyrics].include?(stage.aspect)

        [
          *counting,
          *(Phrase["practice.cues.#{stage.cue}"] if stage.cue),
          *said(stage, bars),
          *fermatas(bars),
          (Phrase["practice.habits.left_blocked"] if blocked_left?(stage, hands)),
          (Phrase["practice.habits.strenuous", count: @choices.most_strenuous] if strained)
        ].compact
      end

      def blocked_left?(stage, hands) =
        @choices.texture == :left_blocked && hands != :right && stage.actions[:left] == :block

      # Which beat is counted, where there are two.
      def counting(stage, bars)
        meter = @map.bar(bars.first).meter
        large, times = meter.counts(meter.bar_length).to_i, meter.small_counts
        if small_count?(stage, bars)
          return [Phrase["practice.habits.small_count", beats: large * times, times: times]]
        end

        if cut_time?(bars) && stage.tempo_share && !stage.ladder
          [Phrase["practice.habits.large_count", beats: large, small: large * times]]
        else
          []
        end
      end

      # In cut time what is slow is counted in four first; from then on it is felt in two.
      def small_count?(stage, bars)
        return false unless stage.tempo_share && @map.bar(bars.first).meter.small_counts > 1

        stage.small_count ||
          (cut_time?(bars) && stage.tempo_share < Constants::FASTER && !stage.ladder)
      end

      def cut_time?(bars) = @map.bar(bars.first).meter.unit == 2

      # What the teacher noted of the sections' fingering and touch, where that is
      # what the stage is about, and of how the hand moves.
      def said(stage, bars)
        kinds = [
          :movement,
          *{ articulation: [:articulation], notes: [:fingering], fingering: [:fingering] }[
            stage.aspect
          ]
        ]
        @map
          .markings
          .section_notes
          .select { |one| kinds.include?(one.kind) && @conditions.of_section?(one.section, bars) }
          .map(&:text)
      end

      def fermatas(bars)
        @map
          .markings
          .fermatas
          .select { |one| bars.include?(one.bar) }
          .map { |one| Habits.fermata(one, @map.bar(one.bar).name, @choices) }
      end

      def applies?(stage, target, bars)
        return false if target.layers && !target.layers.include?(stage.aspect)
        if stage.hands != :both &&
             (
               !@share.plays?(stage.hands, bars) || @conditions.alternating?(bars) ||
                 @conditions.together_first?(bars)
             )
          return false
        end
        return false if joins_hands?(stage) && @conditions.one_hand(bars)

        stage.only.all? do |condition|
          if condition == :hurries
            target.hurries.include?(stage.hands)
          else
            @conditions.met?(condition, bars)
          end
        end
      end

      # Whether a stage puts together what hands learnt apart.
      def joins_hands?(stage)
        @joins_hands ||= {}
        @joins_hands.fetch(stage.key) do
          @joins_hands[stage.key] = stage.hands == :both && stage.hand_actions.any? &&
            (stage.hand_actions.values - PLAYED).empty? && apart?(stage)
        end
      end

      PLAYED = %i[play block touch].freeze
      private_constant :PLAYED

      def apart?(stage)
        stage
          .waits
          .map { |key| @routine.stage(key) }
          .any? { |one| one.hands != :both || joins_hands?(one) }
      end

      # A hand that has nothing to play there is silent, whatever the stage says.
      def actions(stage, hands)
        return stage.actions if hands == stage.hands || stage.actions.empty?

        stage.actions.to_h do |hand, action|
          [hand, (hand == hands || !PLAYED.include?(action)) ? action : :silent]
        end
      end

      # Section by section, then the joins and growing spans, then the whole.
      def in_order(steps)
        place = steps.each_with_index.to_h { |step, at| [step.id, at] }
        labels = @map.sections.map(&:label)
        steps.sort_by do |step|
          [step.section ? labels.index(step.section) : labels.size, place[step.id]]
        end
      end
    end
  end
end
