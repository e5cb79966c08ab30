# frozen_string_literal: true

module Stairwell
  module Practice
    # One layer of learning.
    #
    # - `aspect`: what it is about ({Stage::ASPECTS}); `picture` for those who
    #   cannot read ({Stage::PICTURES})
    # - `hands`: whose bars count, :right, :left or :both; `actions` what each
    #   hand does, {right: :play, left: :tap} ({Stage::ACTIONS}), and the voice beside them
    #   ({Stage::VOICE})
    # - `scope`: :spot, :section, :line, :page, :verse, :join, :growing (joined sections) or :whole
    # - `tempo_share`: of the target tempo; nil where `seconds` says how long one
    #   repetition takes
    # - `good_days` on fully new bars of middling difficulty; `repetitions` a day
    # - `needs`: stages that must be done on earlier days; `after`: those that
    #   must at least come earlier in the same sitting
    # - `everywhere`: stages that must be done on earlier days on all their places, not only on
    #   those it covers: the left hand after the right hand of every section
    # - `earlier`: stages that must be done on all that stands earlier in the piece: a section
    #   after those before it are joined
    # - `only`: conditions of the place, all of which must hold ({Stage::ONLY})
    # - `introduced_by`: :section with its sections, or :stage when this stage itself was
    #   introduced ({Stage::INTRODUCED_BY})
    # - `sitting`: all stages of the same one stand together on each day; nil for none
    # - `small_count`: whether the small beat is counted (six in 6/8, four in cut time); in cut
    #   time it is in all that is slow
    # - `cue`: how the hand moves ({Stage::CUES}); nil for none
    # - `repeats`: false plays the page once through, without repeats and jumps
    # - `by_section`: of the whole piece, each section comes first by itself
    # - `chain`: how sections grow, see {Choices}; nil for what the teacher chose
    # - `ladder`: instead of one step at its tempo, a step for every two rungs of
    #   the metronome scale up to it; `good_days` is then of each
    Stage =
      Stairwell.value(
        :key,
        :name,
        :scope,
        :good_days,
        :done,
        hands: :both,
        actions: {
        },
        aspect: :notes,
        picture: :both,
        tempo_share: nil,
        seconds: nil,
        repetitions: Constants::REPETITIONS,
        needs: [],
        after: [],
        only: [],
        introduced_by: :section,
        ladder: false,
        sitting: nil,
        small_count: false,
        everywhere: [],
        earlier: [],
        cue: nil,
        repeats: true,
        by_section: false,
        chain: nil
      ) do
        # @return [Array<Symbol>] stages it waits for, of which none may wait for it
        def waits = needs + after + everywhere

        # @return [Array<Symbol>] those, and what only holds for what stands earlier
        def all_waits = waits + earlier

        # @return [Boolean] whether the left hand plays what is printed
        def plays_left?
          return false if hands == :right || tempo_share.nil?

          actions.fetch(:left, actions.empty? ? :play : nil) == :play
        end

        # @return [Stage] in which it plays each group of notes as one chord
        def with_left_blocked =
          with(actions: { right: (hands == :left) ? :silent : :play }.merge(actions, left: :block))

        # @return [Hash{Symbol => Symbol}] what the hands do, without the voice
        def hand_actions = actions.slice(:right, :left)
      end

    Stage::ASPECTS = %i[
      overview
      position
      rhythm
      notes
      fingering
      lyrics
      articulation
      voicing
      dynamics
      pedal
      ornaments
      tempo
      memory
    ].freeze
    Stage::ACTIONS = %i[play block touch tap clap say sing silent].freeze
    Stage::VOICE = %i[say count sing names].freeze
    Stage::CUES = %i[drop roll lift lightly].freeze
    Stage::SCOPES = %i[spot section line page verse join growing whole].freeze
    Stage::PICTURES = %i[
      look
      point
      clap
      tap
      say
      sing
      fingers
      names
      right
      left
      both
      slow
      fast
      listen
      pedal
      eyes
    ].freeze
    Stage::INTRODUCED_BY = %i[section stage].freeze
    Stage::ONLY = %i[
      pedal
      ornaments
      lyrics
      articulation
      voicing
      dynamics
      together
      track
      hurries
    ].freeze
  end
end
