import { chakra, Flex, Text } from "@chakra-ui/react";
import type { Schemas } from "../../api/client";
import type { StageChange } from "../../api/queries";
import { Button } from "../../components/Button";
import { Choice } from "../../components/Choice";
import { Labelled } from "../../components/Labelled";
import { Select } from "../../components/Select";
import { t } from "../../words";

type Stage = Schemas["Routine"]["stages"][number];

export const ASPECTS = [
  "overview",
  "position",
  "rhythm",
  "notes",
  "fingering",
  "lyrics",
  "articulation",
  "voicing",
  "dynamics",
  "pedal",
  "ornaments",
  "tempo",
  "memory",
];
export const ACTIONS = ["play", "block", "touch", "tap", "clap", "say", "sing", "silent"];
const VOICES = ["say", "count", "sing", "names"];
const CUES = ["drop", "roll", "lift", "lightly"];
const CHAINS = ["pairs", "from_start", "from_end"];
const CONDITIONS = [
  "pedal",
  "ornaments",
  "lyrics",
  "articulation",
  "voicing",
  "dynamics",
  "together",
  "track",
  "hurries",
];
const PICTURES = [
  "look",
  "point",
  "clap",
  "tap",
  "say",
  "sing",
  "fingers",
  "names",
  "right",
  "left",
  "both",
  "slow",
  "fast",
  "listen",
  "pedal",
  "eyes",
];

type Props = {
  stage: Stage;
  said?: StageChange;
  all: Stage[];
  named: (keys: string[]) => string;
  onChange: (what: Partial<StageChange>) => void;
};

/** All of a stage that a teacher may say, beside what stands in its row. */
export function StageDetails({ stage, said, all, named, onChange }: Props) {
  const now = { ...stage, ...said };
  const one = (
    field: "aspect" | "right" | "left" | "voice" | "picture" | "cue" | "chain",
    keys: string[],
    none?: string,
  ) => (
    <Choice
      label={t(`routines.details.${field}`)}
      width="160px"
      size="sm"
      value={now[field] ?? ""}
      onChange={(event) => onChange({ [field]: event.target.value || null })}
    >
      {(none !== undefined || now[field] === null) && <option value="">{none ?? ""}</option>}
      {keys.map((key) => (
        <option key={key} value={key}>
          {t(`routines.${WORDS[field]}.${key}`)}
        </option>
      ))}
    </Choice>
  );
  const tick = (words: string, checked: boolean, change: (on: boolean) => void) => (
    <chakra.label display="flex" gap="6px" alignItems="center" fontSize="sm">
      <input type="checkbox" checked={checked} onChange={(event) => change(event.target.checked)} />
      {t(`routines.details.${words}`)}
    </chakra.label>
  );
  return (
    <Flex direction="column" gap="8px" p="4px 0 10px">
      <Flex gap="10px" wrap="wrap" align="flex-end">
        {one("aspect", ASPECTS)}
        {one("right", ACTIONS)}
        {one("left", ACTIONS)}
        {one("voice", VOICES, t("routines.details.nothing"))}
        {one("picture", PICTURES)}
        {one("cue", CUES, t("routines.details.none"))}
        {stage.scope === "growing" &&
          one("chain", CHAINS, t("routines.details.as_chosen_with_the_piece"))}
        <Labelled
          label={t("routines.details.seconds")}
          width="150px"
          type="number"
          size="xs"
          min={1}
          max={1200}
          value={now.seconds ?? ""}
          onChange={({ target }) =>
            onChange(
              target.value
                ? { seconds: Number(target.value), percent: undefined }
                : { seconds: undefined, percent: stage.percent ?? 60 },
            )
          }
        />
        <Labelled
          label={t("routines.details.sitting")}
          width="150px"
          size="xs"
          maxLength={40}
          value={now.sitting ?? ""}
          onChange={({ target }) =>
            onChange({ sitting: target.value.toLowerCase().replace(/[^a-z_]/g, "") || null })
          }
        />
      </Flex>
      <Flex gap="6px 16px" wrap="wrap">
        {tick("ladder", now.ladder, (ladder) => onChange({ ladder }))}
        {tick("small_count", now.small_count, (small_count) => onChange({ small_count }))}
        {stage.scope === "whole" &&
          tick("by_section", now.by_section, (by_section) => onChange({ by_section }))}
        {stage.scope === "whole" &&
          tick("without_repeats", !now.repeats, (without) => onChange({ repeats: !without }))}
      </Flex>
      <Chosen
        words={t("routines.details.only")}
        stage={stage}
        keys={now.only}
        free={CONDITIONS}
        word={(key) => t(`routines.conditions.${key}`)}
        onChange={(only) => onChange({ only: only as StageChange["only"] })}
      />
      {(["needs", "after", "everywhere", "earlier"] as const).map((kind) => (
        <Chosen
          key={kind}
          words={t(`routines.details.${kind}`)}
          stage={stage}
          keys={now[kind]}
          free={all.map((other) => other.key).filter((key) => key !== stage.key)}
          word={(key) => named([key])}
          onChange={(keys) => onChange({ [kind]: keys })}
        />
      ))}
    </Flex>
  );
}

const WORDS = {
  aspect: "aspects",
  right: "actions",
  left: "actions",
  voice: "voices",
  picture: "pictures",
  cue: "cues",
  chain: "chains",
};

type ChosenProps = {
  words: string;
  stage: Stage;
  keys: string[];
  free: string[];
  word: (key: string) => string;
  onChange: (keys: string[]) => void;
};

/** Some of several: each can be taken away, others added. */
function Chosen({ words, stage, keys, free, word, onChange }: ChosenProps) {
  return (
    <Flex gap="4px" wrap="wrap" align="center">
      <Text as="span" color="soft" fontSize="sm">
        {words}:
      </Text>
      {keys.map((key) => (
        <Button
          key={key}
          size="xs"
          h="24px"
          minH="24px"
          px="6px"
          aria-label={t("routines.details.no_longer", {
            stage: stage.name,
            words,
            named: word(key),
          })}
          onClick={() => onChange(keys.filter((one) => one !== key))}
        >
          {word(key)} ×
        </Button>
      ))}
      <Select
        maxW="150px"
        aria-label={t("routines.details.add", { stage: stage.name, words })}
        value=""
        onChange={(event) => onChange([...keys, event.target.value])}
      >
        <option value="">{t("routines.details.one_more")}</option>
        {free
          .filter((key) => !keys.includes(key))
          .map((key) => (
            <option key={key} value={key}>
              {word(key)}
            </option>
          ))}
      </Select>
    </Flex>
  );
}
