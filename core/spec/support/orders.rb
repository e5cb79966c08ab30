# frozen_string_literal: true

# Orders of practice that teachers describe (common practice, no source), each written as a
# routine in the form in which a studio keeps its own.
module Orders
  PLAYED = { "right" => "play", "left" => "play" }.freeze
  SILENT = { "right" => "silent", "left" => "silent" }.freeze

  module_function

  # @return [Hash{String => Object}] a stage as it is kept, of a section at three fifths of the
  #   target tempo where nothing else is said
  def stage(key, hands = "both", **said)
    actions = {
      "both" => PLAYED,
      "right" => {
        "right" => "play",
        "left" => "silent"
      },
      "left" => {
        "right" => "silent",
        "left" => "play"
      }
    }.fetch(hands)
    {
      "key" => key,
      "name" => key.tr("_", " "),
      "scope" => "section",
      "hands" => hands,
      "actions" => actions,
      "aspect" => "notes",
      "picture" => hands,
      "good_days" => 1,
      "repetitions" => 3,
      "tempo_share" => said[:seconds] ? nil : "3/5",
      "done" => "it goes",
      "introduced_by" => "section"
    }.merge(said.transform_keys(&:to_s))
  end

  def whole(key, hands = "both", **said) = stage(key, hands, scope: "whole", **said)

  def listen = whole("listen", aspect: "lyrics", picture: "listen", actions: SILENT, seconds: 120)

  # The numbers are those of the list in docs/routines.md.
  ALL = {
    1 => -> do
      [
        listen,
        stage("echo", after: ["listen"], earlier: ["join"]),
        stage("join", scope: "join", needs: ["echo"], repetitions: 8),
        *%w[slow medium quick]
          .each_cons(2)
          .to_h { |before, key| [key, [before]] }
          .then do |later|
            %w[slow medium quick]
              .zip(%w[1/2 7/10 9/10])
              .map do |key, share|
                whole(key, tempo_share: share, needs: later.fetch(key, ["join"]))
              end
          end
      ]
    end,
    2 => -> do
      aspects = %w[fingers touch rhythm notes]
      about = {
        "fingers" => {
          aspect: "fingering",
          actions: {
            "right" => "block",
            "left" => "block"
          }
        },
        "touch" => {
          aspect: "articulation",
          actions: {
            **SILENT,
            "voice" => "say"
          }
        },
        "rhythm" => {
          aspect: "rhythm",
          actions: {
            "right" => "tap",
            "left" => "tap"
          }
        },
        "notes" => {
        }
      }
      [
        *aspects.each_with_index.map do |key, at|
          stage(
            key,
            after: at.zero? ? [] : [aspects[at - 1]],
            sitting: "aspects",
            **about.fetch(key)
          )
        end,
        stage("all_at_once", after: ["notes"], sitting: "aspects"),
        stage("join", scope: "join", needs: ["all_at_once"]),
        whole("whole", needs: %w[all_at_once join])
      ]
    end,
    3 => -> do
      [
        stage(
          "left_blocked",
          "left",
          actions: {
            "right" => "silent",
            "left" => "block"
          },
          aspect: "position"
        ),
        stage("right", "right", after: ["left_blocked"]),
        stage(
          "blocked",
          actions: {
            "right" => "play",
            "left" => "block"
          },
          needs: %w[left_blocked right]
        ),
        stage("written", needs: ["blocked"]),
        stage("pedal", aspect: "pedal", only: ["pedal"], everywhere: ["written"]),
        whole("whole", needs: %w[written pedal])
      ]
    end,
    4 => -> do
      [
        stage("right", "right"),
        stage("left", "left", everywhere: ["right"]),
        stage("together", everywhere: %w[right left]),
        whole("whole", needs: ["together"])
      ]
    end,
    5 => -> do
      [
        whole(
          "words",
          aspect: "lyrics",
          actions: {
            "right" => "clap",
            "left" => "clap",
            "voice" => "say"
          },
          only: ["lyrics"]
        ),
        whole(
          "syllables",
          aspect: "rhythm",
          actions: {
            **SILENT,
            "voice" => "count"
          },
          after: ["words"]
        ),
        stage("jump", scope: "spot", needs: ["syllables"]),
        stage("right", "right", scope: "page", needs: ["syllables"], earlier: ["in_time"]),
        stage("left", "left", scope: "page", after: ["right"]),
        stage("free", scope: "page", seconds: 60, needs: %w[left jump]),
        stage("in_time", scope: "page", needs: ["free"]),
        whole("whole_free", seconds: 120, needs: ["in_time"]),
        whole("whole_in_time", needs: ["whole_free"]),
        whole(
          "singing",
          aspect: "lyrics",
          actions: {
            **PLAYED,
            "voice" => "sing"
          },
          only: ["lyrics"],
          needs: ["whole_in_time"]
        ),
        whole("by_heart", aspect: "memory", picture: "eyes", needs: ["singing"])
      ]
    end,
    6 => -> do
      [
        whole("tap", aspect: "rhythm", actions: { "right" => "tap", "left" => "tap" }),
        whole(
          "left_blocked",
          "left",
          aspect: "position",
          actions: {
            "right" => "silent",
            "left" => "block"
          },
          after: ["tap"]
        ),
        whole("left_written", "left", after: ["left_blocked"]),
        whole("right_hand", "right", after: ["left_written"]),
        whole(
          "right_over_tapping",
          actions: {
            "right" => "play",
            "left" => "tap"
          },
          needs: ["right_hand"]
        ),
        whole(
          "touch_said",
          aspect: "articulation",
          actions: {
            **SILENT,
            "voice" => "say"
          },
          only: ["articulation"],
          needs: ["right_over_tapping"]
        ),
        whole("loud_and_soft", aspect: "dynamics", only: ["dynamics"], needs: ["touch_said"]),
        whole(
          "left_without_sound",
          actions: {
            "right" => "play",
            "left" => "touch"
          },
          needs: ["loud_and_soft"]
        ),
        whole("ornament", aspect: "ornaments", only: ["ornaments"], needs: ["left_without_sound"])
      ]
    end,
    7 => -> do
      rung = { sitting: "ladder", repetitions: 2, repeats: false }
      clap = { "right" => "clap", "left" => "clap" }
      [
        whole(
          "count",
          aspect: "rhythm",
          actions: {
            **SILENT,
            "voice" => "count"
          },
          picture: "point",
          **rung
        ),
        whole(
          "clap",
          aspect: "rhythm",
          actions: {
            **clap,
            "voice" => "count"
          },
          after: ["count"],
          **rung
        ),
        whole("clap_names", actions: { **clap, "voice" => "names" }, after: ["clap"], **rung),
        whole(
          "play_names",
          actions: {
            **PLAYED,
            "voice" => "names"
          },
          after: ["clap_names"],
          **rung
        ),
        stage(
          "words",
          scope: "verse",
          aspect: "lyrics",
          actions: {
            **SILENT,
            "voice" => "say"
          },
          after: ["play_names"],
          repetitions: 2
        ),
        whole(
          "sing",
          aspect: "lyrics",
          actions: {
            **PLAYED,
            "voice" => "sing"
          },
          after: ["words"],
          repetitions: 2
        ),
        whole(
          "track",
          aspect: "tempo",
          picture: "listen",
          only: ["track"],
          after: ["sing"],
          tempo_share: "1/1"
        )
      ]
    end,
    8 => -> do
      [
        whole("look", aspect: "overview", picture: "look", actions: {}, seconds: 60),
        stage(
          "small",
          aspect: "rhythm",
          actions: {
            "right" => "tap",
            "left" => "tap",
            "voice" => "count"
          },
          small_count: true,
          after: ["look"]
        ),
        stage(
          "large",
          aspect: "rhythm",
          actions: {
            "right" => "tap",
            "left" => "tap",
            "voice" => "count"
          },
          after: ["small"]
        ),
        stage("right", "right", needs: ["large"]),
        stage("left", "left", after: ["right"]),
        stage("right_touch", "right", aspect: "articulation", needs: ["right"]),
        stage("left_touch", "left", aspect: "articulation", needs: ["left"]),
        stage("together", needs: %w[right_touch left_touch]),
        stage("loud", aspect: "dynamics", only: ["dynamics"], needs: ["together"]),
        whole("whole", needs: %w[together loud])
      ]
    end,
    9 => -> do
      [
        stage("notes"),
        stage(
          "pedal_slowly",
          aspect: "pedal",
          only: ["pedal"],
          tempo_share: "1/2",
          needs: ["notes"]
        ),
        stage(
          "pedal_in_time",
          aspect: "pedal",
          only: ["pedal"],
          tempo_share: "1/1",
          needs: ["pedal_slowly"]
        ),
        stage("dynamics", aspect: "dynamics", only: ["dynamics"], needs: ["pedal_in_time"]),
        whole("whole", needs: %w[notes dynamics])
      ]
    end,
    10 => -> do
      [
        stage(
          "tune",
          "right",
          aspect: "rhythm",
          actions: {
            "right" => "clap",
            "left" => "silent"
          }
        ),
        stage("right", "right", after: ["tune"]),
        stage("left", "left", after: ["right"]),
        stage("left_by_heart", "left", picture: "eyes", needs: ["left"]),
        stage("together", needs: %w[right left_by_heart]),
        stage("ornaments", aspect: "ornaments", only: ["ornaments"], needs: ["together"]),
        stage("touch", aspect: "articulation", only: ["articulation"], needs: ["ornaments"]),
        stage("dynamics", aspect: "dynamics", only: ["dynamics"], needs: ["ornaments"]),
        whole("whole", needs: %w[together dynamics touch])
      ]
    end,
    11 => -> do
      [
        whole("places", aspect: "position", picture: "point", actions: SILENT, seconds: 60),
        stage(
          "rhythm",
          aspect: "rhythm",
          actions: {
            "right" => "clap",
            "left" => "clap",
            "voice" => "count"
          },
          needs: ["places"]
        ),
        stage("right", "right", needs: ["rhythm"]),
        stage("left", "left", after: ["right"]),
        stage("together", needs: %w[right left], tempo_share: "1/2", good_days: 3),
        stage("lifts", aspect: "articulation", cue: "lift", needs: ["together"]),
        stage("dynamics", aspect: "dynamics", only: ["dynamics"], needs: ["lifts"]),
        whole(
          "speed",
          aspect: "tempo",
          ladder: true,
          tempo_share: "1/1",
          needs: %w[lifts dynamics]
        ),
        whole(
          "along",
          aspect: "tempo",
          picture: "listen",
          only: ["track"],
          tempo_share: "1/1",
          needs: ["speed"]
        )
      ]
    end,
    12 => -> do
      [
        stage("section", earlier: ["back"]),
        stage("back", scope: "growing", chain: "from_start", needs: ["section"]),
        whole("whole", needs: %w[section back])
      ]
    end,
    13 => -> do
      [
        stage("right", "right"),
        stage("left", "left", everywhere: ["right"]),
        stage("together", everywhere: %w[right left]),
        whole("touch", aspect: "articulation", only: ["articulation"], needs: ["together"]),
        whole("loud_and_soft", aspect: "dynamics", only: ["dynamics"], needs: ["touch"]),
        whole("speed", aspect: "tempo", ladder: true, tempo_share: "1/1", needs: ["loud_and_soft"]),
        whole("along", aspect: "tempo", only: ["track"], tempo_share: "1/2", needs: ["together"])
      ]
    end,
    14 => -> do
      [
        stage(
          "phrase",
          aspect: "lyrics",
          actions: {
            **PLAYED,
            "voice" => "say"
          },
          earlier: ["chain"]
        ),
        stage("chain", scope: "growing", chain: "from_start", aspect: "lyrics", needs: ["phrase"]),
        whole("whole", needs: %w[phrase chain])
      ]
    end,
    15 => -> do
      [
        stage("newest", earlier: ["joined"]),
        stage("joined", scope: "join", needs: ["newest"]),
        whole("whole", needs: %w[newest joined])
      ]
    end,
    16 => -> do
      [
        whole("right_places", "right", aspect: "position", seconds: 60),
        whole("left_places", "left", aspect: "position", seconds: 60, after: ["right_places"]),
        stage("notes", needs: %w[right_places left_places]),
        whole("whole", needs: ["notes"])
      ]
    end,
    17 => -> do
      [
        stage("together"),
        stage("pedal", aspect: "pedal", only: ["pedal"], needs: ["together"]),
        stage("dynamics", aspect: "dynamics", only: ["dynamics"], needs: ["pedal"]),
        whole("whole", needs: %w[together dynamics])
      ]
    end,
    18 => -> do
      [
        whole(
          "chords",
          "left",
          aspect: "position",
          actions: {
            "right" => "silent",
            "left" => "block"
          }
        ),
        stage(
          "tune",
          actions: {
            "right" => "play",
            "left" => "block"
          },
          needs: ["chords"],
          aspect: "dynamics"
        ),
        stage("written", needs: ["tune"]),
        whole("whole", needs: ["written"])
      ]
    end,
    19 => -> do
      [
        whole("road", aspect: "overview", picture: "look", actions: {}, seconds: 90),
        whole("through", tempo_share: "1/2", after: ["road"]),
        whole("tempo", aspect: "tempo", ladder: true, tempo_share: "1/1", needs: ["through"])
      ]
    end
  }.freeze

  # @param number [Integer]
  # @return [Stairwell::Practice::Routine] as it is kept, and read again
  def routine(number)
    about = { key: "own-#{number}", name: "Order #{number}", for_whom: "", why: "" }
    loaded =
      Stairwell::Practice::RoutineDocument.load(
        JSON.parse(JSON.generate(ALL.fetch(number).call)),
        **about
      )
    Stairwell::Practice::RoutineDocument.load(
      JSON.parse(JSON.generate(Stairwell::Practice::RoutineDocument.dump(loaded))),
      **about
    )
  end
end
