# frozen_string_literal: true

module Stairwell
  module Practice
    # The routines that ship, one for each school of how a section is learnt.
    # The order of their layers is common practice, no source; good days,
    # repetitions and tempo shares are our own choice.
    module Routines
      SLOWLY = 5/10r
      ALONE = 6/10r
      FASTER = 8/10r
      TARGET = 1r

      module_function

      # How sections become a piece, the same for most routines.
      # @param from [Symbol] the stage that must be done on each section
      # @param also [Array<Symbol>] what must be done besides before it is faster
      # @return [Array<Stage>]
      def joined(from, faster: true, also: [])
        [
          Stage.new(key: :join, name: "the join", scope: :join, tempo_share: ALONE, good_days: 2, needs: [from], repetitions: Constants::HARD_REPETITIONS,
            done: "there is no gap between the two"),
          Stage.new(key: :grow, name: "joined", scope: :growing, tempo_share: ALONE, good_days: 1, needs: [from], after: [:join], repetitions: 3, done: "it goes on without a stop"),
          *(faster ? [Stage.new(key: :faster, name: "faster", scope: :section, aspect: :tempo, picture: :fast, tempo_share: FASTER, good_days: 2, needs: [from, *also], done: "three times in a row are clean")] : [])
        ]
      end

      # The layers that come when the notes are safe, and the whole.
      # @param from [Array<Symbol>] what must be done first
      # @return [Array<Stage>]
      def layered(from)
        [
          Stage.new(key: :touch, name: "articulation", scope: :section, aspect: :articulation, tempo_share: ALONE, good_days: 1, needs: from, repetitions: 3, only: [:articulation],
            done: "slurs, short notes and breaths can be heard"),
          Stage.new(key: :dynamics, name: "dynamics", scope: :section, aspect: :dynamics, tempo_share: ALONE, good_days: 1, needs: from, after: [:touch], repetitions: 3, only: [:dynamics],
            done: "a listener can tell loud from soft"),
          Stage.new(key: :ornaments, name: "with ornaments", scope: :section, aspect: :ornaments, tempo_share: ALONE, good_days: 1, needs: from, repetitions: 3, only: [:ornaments],
            done: "the ornaments do not disturb the pulse"),
          Stage.new(key: :whole, name: "without a stop", scope: :whole, aspect: :tempo, tempo_share: FASTER, good_days: 2, repetitions: 2, needs: [*from, :join, :grow, :dynamics, :touch, :ornaments],
            done: "it goes from beginning to end without a stop"),
          Stage.new(key: :pedal, name: "with pedal", scope: :section, aspect: :pedal, picture: :pedal, tempo_share: ALONE, good_days: 2, repetitions: 3, needs: [*from, :dynamics], only: [:pedal],
            done: "the harmonies do not run into each other"),
          Stage.new(key: :tempo, name: "up to tempo", scope: :whole, aspect: :tempo, picture: :fast, tempo_share: TARGET, good_days: 1, repetitions: 2, needs: %i[whole pedal], ladder: true,
            done: "it goes at the target tempo without a stop"),
          Stage.new(key: :memory, name: "by heart", scope: :section, aspect: :memory, tempo_share: ALONE, good_days: 2, repetitions: 3, needs: [:whole], picture: :eyes,
            done: "it goes with the book closed"),
          Stage.new(key: :whole_memory, name: "all by heart", scope: :whole, aspect: :memory, tempo_share: FASTER, good_days: 2, repetitions: 1, needs: %i[memory tempo], picture: :eyes,
            done: "it goes with the book closed, from any section on")
        ]
      end

      def alone(share: ALONE, done: "it goes without a stop, even if slow", **more)
        %i[right left].map do |hand|
          other = (hand == :right) ? :left : :right
          Stage.new(key: hand, name: "#{hand} hand", hands: hand, scope: :section, picture: hand, tempo_share: share, good_days: 2, done: done,
            actions: {hand => :play, other => :silent}, **more)
        end
      end

      def together(needs, **more)
        Stage.new(key: :together, name: "hands together", scope: :section, picture: :slow, tempo_share: SLOWLY, good_days: 3, needs: needs,
          actions: {right: :play, left: :play}, done: "the pulse stays even without stumbling", **more)
      end

      SPOT = Stage.new(key: :spot, name: "the spot", scope: :spot, tempo_share: SLOWLY, good_days: 1, repetitions: Constants::HARD_REPETITIONS, picture: :look,
        done: "it is nothing special any more")

      def hand_by_hand
        Routine.new(
          key: "hand_by_hand", name: "Hand by hand",
          for_whom: "For most students: each hand alone, then together slowly, then the joins, then speed.",
          why: "Each hand is safe before the two have to fit together, and every layer has its own day.",
          stages: [SPOT, *alone, together(%i[right left spot]), *joined(:together), *layered([:faster])]
        )
      end

      def aspect_by_aspect
        section = {scope: :section, good_days: 2}
        Routine.new(
          key: "aspect_by_aspect", name: "Aspect by aspect",
          for_whom: "For students who lose themselves in a whole page: one short section, one thing at a time, all in one sitting.",
          why: "What is new is met one by one and put together at once, while it is fresh. You choose the order.",
          stages: [
            SPOT,
            Stage.new(key: :rhythm, name: "rhythm", aspect: :rhythm, picture: :tap, actions: {right: :tap, left: :tap}, tempo_share: ALONE, repetitions: 3, done: "both hands tap it evenly", **section),
            Stage.new(key: :fingering, name: "fingers", aspect: :fingering, picture: :point, actions: {right: :block, left: :block}, tempo_share: SLOWLY, repetitions: 3, after: [:rhythm], done: "every finger finds its key without looking", **section),
            Stage.new(key: :notes, name: "notes", aspect: :notes, picture: :slow, actions: {right: :play, left: :play}, tempo_share: SLOWLY, repetitions: 3, after: [:fingering], done: "all notes are right, however slow", **section),
            Stage.new(key: :together, name: "all at once", picture: :both, tempo_share: ALONE, after: [:notes], done: "rhythm, fingers and notes go together", **section.merge(good_days: 3)),
            *joined(:together, also: [:spot]), *layered([:faster])
          ]
        )
      end

      def say_clap_play
        rung = {scope: :section, good_days: 2, tempo_share: ALONE, repetitions: 2}
        ladder = [
          [:count, "point and count", :rhythm, :point, {right: :silent, left: :silent}, "the finger goes with the counting", []],
          [:clap, "clap and count", :rhythm, :clap, {right: :clap, left: :clap}, "the claps come evenly", []],
          [:clap_fingers, "clap and say the fingers", :fingering, :fingers, {right: :clap, left: :clap}, "the numbers come without waiting", []],
          [:play_fingers, "play and say the fingers", :fingering, :fingers, {right: :play, left: :play}, "the numbers and the keys agree", []],
          [:clap_notes, "clap and say the notes", :notes, :names, {right: :clap, left: :clap}, "the names come without waiting", []],
          [:play_notes, "play and say the notes", :notes, :names, {right: :play, left: :play}, "the names and the keys agree", []],
          [:say_words, "say the words", :lyrics, :say, {right: :silent, left: :silent}, "the words have the rhythm of the notes", [:lyrics]],
          [:sing, "play and sing", :lyrics, :sing, {right: :play, left: :play}, "singing does not stop the hands", [:lyrics]],
          [:together, "play", :notes, :both, {right: :play, left: :play}, "it goes without a stop", []],
          [:track, "play with the track", :tempo, :listen, {right: :play, left: :play}, "it stays with the track to the end", [:track]]
        ]
        stages = ladder.each_with_index.map do |(key, name, aspect, picture, actions, done, only), at|
          Stage.new(key: key, name: name, aspect: aspect, picture: picture, actions: actions, done: done, only: only, after: at.zero? ? [] : [ladder[at - 1].first], **rung)
        end
        Routine.new(
          key: "say_clap_play", name: "Say, clap, play",
          for_whom: "For the youngest: a ladder of small things with a picture each, all in one sitting.",
          why: "A small child does one thing at a time, and each of them more than once; the ladder is climbed every day.",
          stages: [*stages, *joined(:together, faster: false), Stage.new(key: :whole, name: "from beginning to end", scope: :whole, aspect: :tempo, tempo_share: FASTER, good_days: 2, repetitions: 2,
            needs: %i[together track join grow], done: "it goes from beginning to end without a stop")]
        )
      end

      def shapes_first
        Routine.new(
          key: "shapes_first", name: "Shapes first",
          for_whom: "For students who see patterns: the left hand blocked, the shapes of the right hand, then as it is written.",
          why: "A hand that knows its shapes reads groups of notes and not one after another; articulation comes when the shapes are safe.",
          stages: [
            SPOT,
            Stage.new(key: :block_left, name: "left hand blocked", hands: :left, scope: :section, aspect: :position, picture: :left, actions: {left: :block, right: :silent}, tempo_share: SLOWLY, good_days: 1, done: "each shape lies under the hand before it sounds"),
            Stage.new(key: :right, name: "right hand, shape by shape", hands: :right, scope: :section, picture: :right, actions: {right: :play, left: :silent}, tempo_share: ALONE, good_days: 2, after: [:block_left], done: "the hand moves in shapes, not from note to note"),
            Stage.new(key: :blocked, name: "right hand with the left blocked", scope: :section, picture: :both, actions: {right: :play, left: :block}, tempo_share: SLOWLY, good_days: 2, needs: %i[block_left right], done: "the shapes change together"),
            together(%i[blocked spot]), *joined(:together), *layered([:faster])
          ]
        )
      end

      def by_ear
        speeds = [[:slow, "slowly", SLOWLY], [:medium, "at a middle speed", 7/10r], [:quick, "at speed", 9/10r]]
        Routine.new(
          key: "by_ear", name: "By ear",
          for_whom: "For students who play what they hear: short bits are echoed, pairs are joined, then three speeds.",
          why: "The ear leads and the page confirms; what can be sung can be played.",
          stages: [
            Stage.new(key: :listen, name: "listen and sing", scope: :section, aspect: :lyrics, picture: :listen, actions: {right: :sing, left: :silent}, tempo_share: FASTER, good_days: 1, repetitions: 3, done: "it can be sung without the book"),
            Stage.new(key: :together, name: "echo", scope: :section, picture: :both, actions: {right: :play, left: :play}, tempo_share: ALONE, good_days: 3, after: [:listen], done: "it comes back as it was heard"),
            *joined(:together, faster: false),
            *speeds.each_with_index.map { |(key, name, share), at|
              Stage.new(key: key, name: name, scope: :whole, aspect: :tempo, tempo_share: share, good_days: 2, repetitions: 2, needs: at.zero? ? %i[together join grow] : [speeds[at - 1].first], done: "it goes without a stop")
            },
            Stage.new(key: :tempo, name: "up to tempo", scope: :whole, aspect: :tempo, picture: :fast, tempo_share: TARGET, good_days: 1, repetitions: 2, needs: [:quick], ladder: true, done: "it goes at the target tempo without a stop")
          ]
        )
      end

      def rhythm_first
        Routine.new(
          key: "rhythm_first", name: "Rhythm first, ornaments last",
          for_whom: "For pieces whose trouble is the rhythm, and for older music: the plain notes in time, then the ornaments.",
          why: "A rhythm that is safe away from the keys carries the notes; ornaments sit on a pulse that is already there.",
          stages: [
            SPOT,
            Stage.new(key: :rhythm, name: "both hands tapped", scope: :section, aspect: :rhythm, picture: :tap, actions: {right: :tap, left: :tap}, tempo_share: FASTER, good_days: 1, repetitions: 3, done: "both rhythms fit together on the lid"),
            *alone(after: [:rhythm]), together(%i[right left spot]), *joined(:together), *layered([:faster])
          ]
        )
      end

      def whole_piece
        whole = {scope: :whole, good_days: 2, repetitions: 1}
        Routine.new(
          key: "whole_piece", name: "The whole piece, one aspect at a time",
          for_whom: "For readers with short pieces: the whole page from the first day, one aspect after another.",
          why: "The form stays in the ear; the hard places get their own work beside it.",
          stages: [
            SPOT,
            Stage.new(key: :overview, name: "look it over", aspect: :overview, picture: :look, seconds: 120, done: "you can say what comes back and where the signs lead", **whole.merge(good_days: 1)),
            Stage.new(key: :rhythm, name: "rhythm", aspect: :rhythm, picture: :tap, actions: {right: :tap, left: :tap}, tempo_share: ALONE, after: [:overview], done: "it is tapped through without a stop", **whole),
            Stage.new(key: :right, name: "right hand", hands: :right, picture: :right, actions: {right: :play, left: :tap}, tempo_share: ALONE, after: [:rhythm], done: "it goes through without a stop", **whole),
            Stage.new(key: :left, name: "left hand", hands: :left, picture: :left, actions: {right: :tap, left: :play}, tempo_share: ALONE, after: [:right], done: "it goes through without a stop", **whole),
            Stage.new(key: :together, name: "hands together", picture: :slow, tempo_share: SLOWLY, needs: %i[right left], done: "the pulse stays even from beginning to end", **whole.merge(good_days: 4)),
            Stage.new(key: :join, name: "the join", scope: :join, tempo_share: ALONE, good_days: 2, needs: [:spot], repetitions: Constants::HARD_REPETITIONS, done: "there is no gap between the two"),
            Stage.new(key: :dynamics, name: "dynamics", aspect: :dynamics, tempo_share: ALONE, needs: [:together], only: [:dynamics], done: "a listener can tell loud from soft", **whole),
            Stage.new(key: :pedal, name: "with pedal", aspect: :pedal, picture: :pedal, tempo_share: ALONE, needs: %i[together dynamics], only: [:pedal], done: "the harmonies do not run into each other", **whole),
            Stage.new(key: :tempo, name: "up to tempo", aspect: :tempo, picture: :fast, tempo_share: TARGET, needs: %i[together join dynamics pedal], ladder: true, done: "it goes at the target tempo without a stop", **whole.merge(good_days: 1)),
            Stage.new(key: :memory, name: "by heart", aspect: :memory, picture: :eyes, tempo_share: FASTER, needs: [:tempo], done: "it goes with the book closed", **whole)
          ]
        )
      end

      ALL = [hand_by_hand, aspect_by_aspect, say_clap_play, shapes_first, by_ear, rhythm_first, whole_piece].freeze
    end

    ROUTINES = Routines::ALL.to_h { |routine| [routine.key, routine] }.freeze
    HAND_BY_HAND = ROUTINES.fetch("hand_by_hand")
  end
end
