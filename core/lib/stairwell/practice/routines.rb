# frozen_string_literal: true

module Stairwell
  module Practice
    # The routines that ship, one for each school of how a section is learnt.
    # The order of their layers is common practice, no source; good days,
    # repetitions and tempo shares are our own choice.
    module Routines
      OTHER = { right: :left, left: :right }.freeze
      private_constant :OTHER

      module_function

      # How sections become a piece, the same for most routines.
      # @param from [Symbol] the stage that must be done on each section
      # @param also [Array<Symbol>] what must be done besides before it is faster
      # @param apart [Array<Symbol>] hands that were learnt by themselves, each in the stage of its
      #   name
      # @return [Array<Stage>]
      def joined(from, faster: true, also: [], apart: [])
        [
          *apart.map do |hand|
            Stage.new(
              key: :"join_#{hand}",
              name: Phrase["practice.routines.the_join_of_one", hand: Phrase["hands.#{hand}"]],
              scope: :join,
              hands: hand,
              picture: hand,
              actions: {
                hand => :play,
                OTHER.fetch(hand) => :silent
              },
              tempo_share: Constants::ALONE,
              good_days: 1,
              needs: [hand],
              repetitions: Constants::HARD_REPETITIONS,
              only: [:hurries],
              done: Phrase["practice.routines.the_hand_is_there_in_time"]
            )
          end,
          Stage.new(
            key: :join,
            name: Phrase["practice.routines.the_join"],
            scope: :join,
            tempo_share: Constants::ALONE,
            good_days: 1,
            needs: [from],
            after: apart.map { |hand| :"join_#{hand}" },
            repetitions: Constants::HARD_REPETITIONS,
            done: Phrase["practice.routines.there_is_no_gap_between_the"]
          ),
          Stage.new(
            key: :grow,
            name: Phrase["practice.routines.joined"],
            scope: :growing,
            tempo_share: Constants::ALONE,
            good_days: 1,
            needs: [from],
            after: [:join],
            repetitions: 3,
            done: Phrase["practice.routines.it_goes_on_without_a_stop"]
          ),
          *(
            if faster
              [
                Stage.new(
                  key: :faster,
                  name: Phrase["practice.routines.faster"],
                  scope: :section,
                  aspect: :tempo,
                  picture: :fast,
                  tempo_share: Constants::FASTER,
                  good_days: 1,
                  needs: [from, *also],
                  done: Phrase["practice.routines.three_times_in_a_row_are"]
                )
              ]
            else
              []
            end
          )
        ]
      end

      # The layers that come when the notes are safe, and the whole.
      # @param from [Array<Symbol>] what must be done first
      # @return [Array<Stage>]
      def layered(from)
        [
          Stage.new(
            key: :touch,
            name: Phrase["practice.routines.articulation"],
            scope: :section,
            aspect: :articulation,
            tempo_share: Constants::ALONE,
            good_days: 1,
            needs: from,
            repetitions: 3,
            only: [:articulation],
            done: Phrase["practice.routines.slurs_short_notes_and_breaths_can"]
          ),
          Stage.new(
            key: :dynamics,
            name: Phrase["practice.routines.dynamics"],
            scope: :section,
            aspect: :dynamics,
            tempo_share: Constants::ALONE,
            good_days: 1,
            needs: from,
            after: [:touch],
            repetitions: 3,
            only: [:dynamics],
            done: Phrase["practice.routines.a_listener_can_tell_loud_from"]
          ),
          Stage.new(
            key: :ornaments,
            name: Phrase["practice.routines.with_ornaments"],
            scope: :section,
            aspect: :ornaments,
            tempo_share: Constants::ALONE,
            good_days: 1,
            needs: from,
            repetitions: 3,
            only: [:ornaments],
            done: Phrase["practice.routines.the_ornaments_do_not_disturb_the"]
          ),
          Stage.new(
            key: :whole,
            name: Phrase["practice.routines.without_a_stop"],
            scope: :whole,
            aspect: :tempo,
            tempo_share: Constants::FASTER,
            good_days: 1,
            repetitions: 2,
            needs: [*from, :join, :grow, :dynamics, :touch, :ornaments],
            done: Phrase["practice.routines.it_goes_from_beginning_to_end"]
          ),
          Stage.new(
            key: :pedal,
            name: Phrase["practice.routines.with_pedal"],
            scope: :section,
            aspect: :pedal,
            picture: :pedal,
            tempo_share: Constants::ALONE,
            good_days: 1,
            repetitions: 3,
            needs: [*from, :dynamics],
            only: [:pedal],
            done: Phrase["practice.routines.the_harmonies_do_not_run_into"]
          ),
          Stage.new(
            key: :tempo,
            name: Phrase["practice.routines.up_to_tempo"],
            scope: :whole,
            aspect: :tempo,
            picture: :fast,
            tempo_share: Constants::AT_TARGET,
            good_days: 1,
            repetitions: 2,
            needs: %i[whole pedal],
            ladder: true,
            done: Phrase["practice.routines.it_goes_at_the_target_tempo"]
          ),
          Stage.new(
            key: :memory,
            name: Phrase["practice.routines.by_heart"],
            scope: :section,
            aspect: :memory,
            tempo_share: Constants::ALONE,
            good_days: 1,
            repetitions: 3,
            needs: [:whole],
            picture: :eyes,
            done: Phrase["practice.routines.it_goes_with_the_book_closed"]
          ),
          Stage.new(
            key: :whole_memory,
            name: Phrase["practice.routines.all_by_heart"],
            scope: :whole,
            aspect: :memory,
            tempo_share: Constants::FASTER,
            good_days: 1,
            repetitions: 1,
            needs: %i[memory tempo],
            picture: :eyes,
            done: Phrase["practice.routines.it_goes_with_the_book_closed_2"]
          )
        ]
      end

      def alone(
        share: Constants::ALONE,
        done: Phrase["practice.routines.it_goes_without_a_stop_even"],
        **more
      )
        %i[right left].map do |hand|
          Stage.new(
            key: hand,
            name: Phrase["hands.#{hand}"],
            hands: hand,
            scope: :section,
            picture: hand,
            tempo_share: share,
            good_days: 1,
            done: done,
            actions: {
              hand => :play,
              OTHER.fetch(hand) => :silent
            },
            **more
          )
        end
      end

      def together(needs, **more)
        Stage.new(
          key: :together,
          name: Phrase["hands.both"],
          scope: :section,
          picture: :slow,
          tempo_share: Constants::SLOWLY,
          good_days: 2,
          needs: needs,
          actions: {
            right: :play,
            left: :play
          },
          done: Phrase["practice.routines.the_pulse_stays_even_without_stumbling"],
          **more
        )
      end

      SPOT =
        Stage.new(
          key: :spot,
          name: Phrase["practice.routines.the_spot"],
          scope: :spot,
          tempo_share: Constants::SLOWLY,
          good_days: 1,
          repetitions: Constants::HARD_REPETITIONS,
          picture: :look,
          done: Phrase["practice.routines.it_is_nothing_special_any_more"]
        )

      def hand_by_hand
        Routine.new(
          key: "hand_by_hand",
          name: Phrase["practice.routines.hand_by_hand"],
          for_whom: Phrase["practice.routines.for_most_students_each_hand_alone"],
          why: Phrase["practice.routines.each_hand_is_safe_before_the"],
          stages: [
            SPOT,
            *alone,
            together(%i[right left spot]),
            *joined(:together, apart: %i[right left]),
            *layered([:faster])
          ]
        )
      end

      def aspect_by_aspect
        section = { scope: :section, good_days: 1, sitting: :aspects }
        Routine.new(
          key: "aspect_by_aspect",
          name: Phrase["practice.routines.aspect_by_aspect"],
          for_whom: Phrase["practice.routines.for_students_who_lose_themselves_in"],
          why: Phrase["practice.routines.what_is_new_is_met_one"],
          stages: [
            SPOT,
            Stage.new(
              key: :rhythm,
              name: Phrase["practice.routines.rhythm"],
              aspect: :rhythm,
              picture: :tap,
              actions: {
                right: :tap,
                left: :tap
              },
              tempo_share: Constants::ALONE,
              repetitions: 3,
              done: Phrase["practice.routines.both_hands_tap_it_evenly"],
              **section
            ),
            Stage.new(
              key: :fingering,
              name: Phrase["practice.routines.fingers"],
              aspect: :fingering,
              picture: :point,
              actions: {
                right: :block,
                left: :block
              },
              tempo_share: Constants::SLOWLY,
              repetitions: 3,
              after: [:rhythm],
              done: Phrase["practice.routines.every_finger_finds_its_key_without"],
              **section
            ),
            Stage.new(
              key: :notes,
              name: Phrase["practice.routines.notes"],
              aspect: :notes,
              picture: :slow,
              actions: {
                right: :play,
                left: :play
              },
              tempo_share: Constants::SLOWLY,
              repetitions: 3,
              after: [:fingering],
              done: Phrase["practice.routines.all_notes_are_right_however_slow"],
              **section
            ),
            Stage.new(
              key: :together,
              name: Phrase["practice.routines.all_at_once"],
              picture: :both,
              tempo_share: Constants::ALONE,
              after: [:notes],
              done: Phrase["practice.routines.rhythm_fingers_and_notes_go_together"],
              **section.merge(good_days: 2)
            ),
            *joined(:together, also: [:spot]),
            *layered([:faster])
          ]
        )
      end

      def say_clap_play
        rung = {
          scope: :section,
          good_days: 1,
          tempo_share: Constants::ALONE,
          repetitions: 2,
          sitting: :ladder
        }
        ladder = [
          [
            :count,
            Phrase["practice.routines.point_and_count"],
            :rhythm,
            :point,
            { right: :silent, left: :silent },
            Phrase["practice.routines.the_finger_goes_with_the_counting"],
            []
          ],
          [
            :clap,
            Phrase["practice.routines.clap_and_count"],
            :rhythm,
            :clap,
            { right: :clap, left: :clap },
            Phrase["practice.routines.the_claps_come_evenly"],
            []
          ],
          [
            :clap_fingers,
            Phrase["practice.routines.clap_and_say_the_fingers"],
            :fingering,
            :fingers,
            { right: :clap, left: :clap },
            Phrase["practice.routines.the_numbers_come_without_waiting"],
            []
          ],
          [
            :play_fingers,
            Phrase["practice.routines.play_and_say_the_fingers"],
            :fingering,
            :fingers,
            { right: :play, left: :play },
            Phrase["practice.routines.the_numbers_and_the_keys_agree"],
            []
          ],
          [
            :clap_notes,
            Phrase["practice.routines.clap_and_say_the_notes"],
            :notes,
            :names,
            { right: :clap, left: :clap },
            Phrase["practice.routines.the_names_come_without_waiting"],
            []
          ],
          [
            :play_notes,
            Phrase["practice.routines.play_and_say_the_notes"],
            :notes,
            :names,
            { right: :play, left: :play },
            Phrase["practice.routines.the_names_and_the_keys_agree"],
            []
          ],
          [
            :say_words,
            Phrase["practice.routines.say_the_words"],
            :lyrics,
            :say,
            { right: :silent, left: :silent },
            Phrase["practice.routines.the_words_have_the_rhythm_of"],
            [:lyrics]
          ],
          [
            :sing,
            Phrase["practice.routines.play_and_sing"],
            :lyrics,
            :sing,
            { right: :play, left: :play },
            Phrase["practice.routines.singing_does_not_stop_the_hands"],
            [:lyrics]
          ],
          [
            :together,
            Phrase["practice.routines.play"],
            :notes,
            :both,
            { right: :play, left: :play },
            Phrase["practice.routines.it_goes_without_a_stop"],
            []
          ],
          [
            :track,
            Phrase["practice.routines.play_with_the_track"],
            :tempo,
            :listen,
            { right: :play, left: :play },
            Phrase["practice.routines.it_stays_with_the_track_to"],
            [:track]
          ]
        ]
        stages =
          ladder.each_with_index.map do |(key, name, aspect, picture, actions, done, only), at|
            Stage.new(
              key: key,
              name: name,
              aspect: aspect,
              picture: picture,
              actions: actions,
              done: done,
              only: only,
              after: at.zero? ? [] : [ladder[at - 1].first],
              **rung
            )
          end
        Routine.new(
          key: "say_clap_play",
          name: Phrase["practice.routines.say_clap_play"],
          for_whom: Phrase["practice.routines.for_the_youngest_a_ladder_of"],
          why: Phrase["practice.routines.a_small_child_does_one_thing"],
          stages: [
            *stages,
            *joined(:together, faster: false),
            Stage.new(
              key: :whole,
              name: Phrase["practice.routines.from_beginning_to_end"],
              scope: :whole,
              aspect: :tempo,
              tempo_share: Constants::FASTER,
              good_days: 1,
              repetitions: 2,
              needs: %i[together track join grow],
              done: Phrase["practice.routines.it_goes_from_beginning_to_end"]
            )
          ]
        )
      end

      def shapes_first
        Routine.new(
          key: "shapes_first",
          name: Phrase["practice.routines.shapes_first"],
          for_whom: Phrase["practice.routines.for_students_who_see_patterns_the"],
          why: Phrase["practice.routines.a_hand_that_knows_its_shapes"],
          stages: [
            SPOT,
            Stage.new(
              key: :block_left,
              name: Phrase["practice.routines.left_hand_blocked"],
              hands: :left,
              scope: :section,
              aspect: :position,
              picture: :left,
              actions: {
                left: :block,
                right: :silent
              },
              tempo_share: Constants::SLOWLY,
              good_days: 1,
              done: Phrase["practice.routines.each_shape_lies_under_the_hand"]
            ),
            Stage.new(
              key: :right,
              name: Phrase["practice.routines.right_hand_shape_by_shape"],
              hands: :right,
              scope: :section,
              picture: :right,
              actions: {
                right: :play,
                left: :silent
              },
              tempo_share: Constants::ALONE,
              good_days: 1,
              after: [:block_left],
              done: Phrase["practice.routines.the_hand_moves_in_shapes_not"]
            ),
            Stage.new(
              key: :blocked,
              name: Phrase["practice.routines.right_hand_with_the_left_blocked"],
              scope: :section,
              picture: :both,
              actions: {
                right: :play,
                left: :block
              },
              tempo_share: Constants::SLOWLY,
              good_days: 1,
              needs: %i[block_left right],
              done: Phrase["practice.routines.the_shapes_change_together"]
            ),
            together(%i[blocked spot]),
            *joined(:together, apart: [:right]),
            *layered([:faster])
          ]
        )
      end

      def by_ear
        speeds = [
          [:slow, Phrase["practice.routines.slowly"], Constants::SLOWLY],
          [:medium, Phrase["practice.routines.at_a_middle_speed"], 7 / 10r],
          [:quick, Phrase["practice.routines.at_speed"], 9 / 10r]
        ]
        Routine.new(
          key: "by_ear",
          name: Phrase["practice.routines.by_ear"],
          for_whom: Phrase["practice.routines.for_students_who_play_what_they"],
          why: Phrase["practice.routines.the_ear_leads_and_the_page"],
          stages: [
            Stage.new(
              key: :listen,
              name: Phrase["practice.routines.listen_and_sing"],
              scope: :section,
              aspect: :lyrics,
              picture: :listen,
              actions: {
                right: :sing,
                left: :silent
              },
              tempo_share: Constants::FASTER,
              good_days: 1,
              repetitions: 3,
              done: Phrase["practice.routines.it_can_be_sung_without_the"]
            ),
            Stage.new(
              key: :together,
              name: Phrase["practice.routines.echo"],
              scope: :section,
              picture: :both,
              actions: {
                right: :play,
                left: :play
              },
              tempo_share: Constants::ALONE,
              good_days: 2,
              after: [:listen],
              done: Phrase["practice.routines.it_comes_back_as_it_was"]
            ),
            *joined(:together, faster: false),
            *speeds.each_with_index.map do |(key, name, share), at|
              Stage.new(
                key: key,
                name: name,
                scope: :whole,
                aspect: :tempo,
                tempo_share: share,
                good_days: 1,
                repetitions: 2,
                needs: at.zero? ? %i[together join grow] : [speeds[at - 1].first],
                done: Phrase["practice.routines.it_goes_without_a_stop"]
              )
            end,
            Stage.new(
              key: :tempo,
              name: Phrase["practice.routines.up_to_tempo"],
              scope: :whole,
              aspect: :tempo,
              picture: :fast,
              tempo_share: Constants::AT_TARGET,
              good_days: 1,
              repetitions: 2,
              needs: [:quick],
              ladder: true,
              done: Phrase["practice.routines.it_goes_at_the_target_tempo"]
            )
          ]
        )
      end

      def rhythm_first
        Routine.new(
          key: "rhythm_first",
          name: Phrase["practice.routines.rhythm_first_ornaments_last"],
          for_whom: Phrase["practice.routines.for_pieces_whose_trouble_is_the"],
          why: Phrase["practice.routines.a_rhythm_that_is_safe_away"],
          stages: [
            SPOT,
            Stage.new(
              key: :rhythm,
              name: Phrase["practice.routines.both_hands_tapped"],
              scope: :section,
              aspect: :rhythm,
              picture: :tap,
              actions: {
                right: :tap,
                left: :tap
              },
              tempo_share: Constants::FASTER,
              good_days: 1,
              repetitions: 3,
              done: Phrase["practice.routines.both_rhythms_fit_together_on_the"]
            ),
            *alone(after: [:rhythm]),
            together(%i[right left spot]),
            *joined(:together, apart: %i[right left]),
            *layered([:faster])
          ]
        )
      end

      def whole_piece
        whole = { scope: :whole, good_days: 1, repetitions: 2 }
        parted = { **whole, by_section: true }
        Routine.new(
          key: "whole_piece",
          name: Phrase["practice.routines.the_whole_piece_one_aspect_at"],
          for_whom: Phrase["practice.routines.for_readers_with_short_pieces_the"],
          why: Phrase["practice.routines.the_form_stays_in_the_ear"],
          stages: [
            SPOT,
            Stage.new(
              key: :overview,
              name: Phrase["practice.routines.look_it_over"],
              aspect: :overview,
              picture: :look,
              seconds: 120,
              done: Phrase["practice.routines.you_can_say_what_comes_back"],
              **whole.merge(good_days: 1, repetitions: 1)
            ),
            Stage.new(
              key: :rhythm,
              name: Phrase["practice.routines.rhythm"],
              aspect: :rhythm,
              picture: :tap,
              actions: {
                right: :tap,
                left: :tap
              },
              tempo_share: Constants::ALONE,
              after: [:overview],
              done: Phrase["practice.routines.it_is_tapped_through_without_a"],
              **whole
            ),
            Stage.new(
              key: :right,
              name: Phrase["hands.right"],
              hands: :right,
              picture: :right,
              actions: {
                right: :play,
                left: :tap
              },
              tempo_share: Constants::ALONE,
              after: [:rhythm],
              done: Phrase["practice.routines.it_goes_through_without_a_stop"],
              **parted
            ),
            Stage.new(
              key: :left,
              name: Phrase["hands.left"],
              hands: :left,
              picture: :left,
              actions: {
                right: :tap,
                left: :play
              },
              tempo_share: Constants::ALONE,
              after: [:right],
              done: Phrase["practice.routines.it_goes_through_without_a_stop"],
              **parted
            ),
            Stage.new(
              key: :together,
              name: Phrase["hands.both"],
              picture: :slow,
              tempo_share: Constants::SLOWLY,
              needs: %i[right left],
              done: Phrase["practice.routines.the_pulse_stays_even_from_beginning"],
              **parted.merge(good_days: 2)
            ),
            Stage.new(
              key: :join,
              name: Phrase["practice.routines.the_join"],
              scope: :join,
              tempo_share: Constants::ALONE,
              good_days: 1,
              needs: %i[together spot],
              repetitions: Constants::HARD_REPETITIONS,
              done: Phrase["practice.routines.there_is_no_gap_between_the"]
            ),
            Stage.new(
              key: :dynamics,
              name: Phrase["practice.routines.dynamics"],
              aspect: :dynamics,
              tempo_share: Constants::ALONE,
              needs: [:together],
              only: [:dynamics],
              done: Phrase["practice.routines.a_listener_can_tell_loud_from"],
              **parted
            ),
            Stage.new(
              key: :pedal,
              name: Phrase["practice.routines.with_pedal"],
              aspect: :pedal,
              picture: :pedal,
              tempo_share: Constants::ALONE,
              needs: %i[together dynamics],
              only: [:pedal],
              done: Phrase["practice.routines.the_harmonies_do_not_run_into"],
              **parted
            ),
            Stage.new(
              key: :tempo,
              name: Phrase["practice.routines.up_to_tempo"],
              aspect: :tempo,
              picture: :fast,
              tempo_share: Constants::AT_TARGET,
              needs: %i[together join dynamics pedal],
              ladder: true,
              done: Phrase["practice.routines.it_goes_at_the_target_tempo"],
              **whole.merge(good_days: 1)
            ),
            Stage.new(
              key: :memory,
              name: Phrase["practice.routines.by_heart"],
              aspect: :memory,
              picture: :eyes,
              tempo_share: Constants::FASTER,
              needs: [:tempo],
              done: Phrase["practice.routines.it_goes_with_the_book_closed"],
              **parted
            )
          ]
        )
      end

      ALL = [
        hand_by_hand,
        aspect_by_aspect,
        say_clap_play,
        shapes_first,
        by_ear,
        rhythm_first,
        whole_piece
      ].freeze
    end

    ROUTINES = Routines::ALL.to_h { |routine| [routine.key, routine] }.freeze
    HAND_BY_HAND = ROUTINES.fetch("hand_by_hand")
  end
end
