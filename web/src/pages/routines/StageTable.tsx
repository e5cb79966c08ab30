import { chakra, Flex, Input, Text } from "@chakra-ui/react";
import type { Schemas } from "../../api/client";
import type { StageChange } from "../../api/queries";
import { Button } from "../../components/Button";
import { Select } from "../../components/Select";
import { t } from "../../words";

type Routine = Schemas["Routine"];
type Stage = Routine["stages"][number];

const Table = chakra("table");
const Cell = chakra("td");
const Head = chakra("th");

export const SCOPES = ["spot", "section", "join", "growing", "whole"];
export const scopeWord = (scope: string) => t(`routines.scopes.${scope}`);

type Props = {
  routine: Routine;
  changes: Record<string, StageChange>;
  /** Without it the table can only be looked at. */
  onChange?: (key: string, what: Partial<StageChange>) => void;
};

/** The stages of a routine, a row each, in their order. */
export function StageTable({ routine, changes, onChange }: Props) {
  const added = Object.values(changes).filter(
    (one) => one.scope && !routine.stages.some((stage) => stage.key === one.key),
  );
  const all = [...routine.stages, ...added.map(asStage)];
  const named = (keys: string[]) =>
    keys.map((key) => changes[key]?.name ?? all.find((one) => one.key === key)?.name ?? key).join(", ");
  return (
    <Table
      w="100%"
      fontSize="sm"
      css={{
        "& th": { textAlign: "left", fontWeight: 650, color: "soft", padding: "3px 6px" },
        "& td": {
          padding: "3px 6px",
          borderTop: "1px solid var(--chakra-colors-line)",
          verticalAlign: "top",
        },
      }}
    >
      <thead>
        <tr>
          <Head scope="col">{t("routines.stage_table.stage")}</Head>
          <Head scope="col">{t("routines.stage_table.on")}</Head>
          <Head scope="col">{t("routines.stage_table.good_days")}</Head>
          <Head scope="col">{t("routines.stage_table.times_a_day")}</Head>
          <Head scope="col">{t("routines.stage_table.of_the_target_tempo")}</Head>
          <Head scope="col">{t("routines.stage_table.waits_for")}</Head>
          {onChange && <Head scope="col">{t("routines.stage_table.kept")}</Head>}
        </tr>
      </thead>
      <tbody>
        {all.map((stage) => (
          <Row key={stage.key} stage={stage} said={changes[stage.key]} onChange={onChange} named={named} all={all} />
        ))}
      </tbody>
    </Table>
  );
}

type RowProps = {
  stage: Stage;
  said?: StageChange;
  onChange: Props["onChange"];
  named: (keys: string[]) => string;
  all: Stage[];
};

function Row({ stage, said, onChange, named, all }: RowProps) {
  const gone = said?.kept === false;
  const number = (field: "good_days" | "repetitions" | "percent", label: string) => {
    const value = said?.[field] ?? stage[field];
    if (!onChange || value === null) return value ?? "—";
    return (
      <Input
        type="number"
        aria-label={`${label}, ${stage.name}`}
        size="xs"
        w="64px"
        borderColor="line"
        min={0}
        value={value}
        disabled={gone}
        onChange={(event) => onChange(stage.key, { [field]: Number(event.target.value) })}
      />
    );
  };
  return (
    <tr style={{ opacity: gone ? 0.6 : 1 }}>
      <Cell>
        {onChange ? (
          <Input
            aria-label={t("routines.stage_table.name_of", { stage: stage.name })}
            size="xs"
            w="170px"
            fontWeight={650}
            maxLength={60}
            borderColor="line"
            textDecoration={gone ? "line-through" : undefined}
            value={said?.name ?? stage.name}
            disabled={gone}
            onChange={(event) => onChange(stage.key, { name: event.target.value })}
          />
        ) : (
          <Text fontWeight={650}>{stage.name}</Text>
        )}
        <Text color="soft">{t("routines.stage_table.done_when", { done: stage.done })}</Text>
        {stage.ladder && <Text color="soft">{t("routines.stage_table.climbs_two_rungs_of_the_metronome")}</Text>}
        {stage.introduced_by === "stage" && (
          <Text color="soft">{t("routines.stage_table.opens_when_it_was_shown")}</Text>
        )}
      </Cell>
      <Cell>{scopeWord(stage.scope)}</Cell>
      <Cell>{number("good_days", t("routines.stage_table.good_days"))}</Cell>
      <Cell>{number("repetitions", t("routines.stage_table.times_a_day"))}</Cell>
      <Cell>{number("percent", t("routines.stage_table.percent_of_the_target_tempo"))}</Cell>
      <Cell>
        {onChange ? (
          <>
            <Waits
              words={t("routines.stage_table.on_earlier_days")}
              stage={stage}
              keys={said?.needs ?? stage.needs}
              named={named}
              all={all}
              onChange={(needs) => onChange(stage.key, { needs })}
            />
            <Waits
              words={t("routines.stage_table.same_sitting")}
              stage={stage}
              keys={said?.after ?? stage.after}
              named={named}
              all={all}
              onChange={(after) => onChange(stage.key, { after })}
            />
          </>
        ) : (
          <>
            {stage.needs.length > 0 && (
              <Text>{t("routines.stage_table.on_earlier_days_2", { named: named(stage.needs) })}</Text>
            )}
            {stage.after.length > 0 && (
              <Text>{t("routines.stage_table.same_sitting_2", { named: named(stage.after) })}</Text>
            )}
          </>
        )}
      </Cell>
      {onChange && (
        <Cell>
          <input
            type="checkbox"
            aria-label={t("routines.stage_table.keep", { stage: stage.name })}
            checked={!gone}
            onChange={(event) => onChange(stage.key, { kept: event.target.checked })}
          />
        </Cell>
      )}
    </tr>
  );
}

type WaitsProps = {
  words: string;
  stage: Stage;
  keys: string[];
  named: (keys: string[]) => string;
  all: Stage[];
  onChange: (keys: string[]) => void;
};

/** What a stage waits for: each can be taken away, others added. */
function Waits({ words, stage, keys, named, all, onChange }: WaitsProps) {
  const free = all.filter((one) => one.key !== stage.key && !keys.includes(one.key));
  return (
    <Flex gap="4px" wrap="wrap" align="center" mb="2px">
      <Text as="span" color="soft">
        {words}:
      </Text>
      {keys.map((key) => (
        <Button
          key={key}
          size="xs"
          h="22px"
          minH="22px"
          px="5px"
          aria-label={t("routines.stage_table.no_longer_waits_for", { stage: stage.name, named: named([key]), words })}
          onClick={() => onChange(keys.filter((one) => one !== key))}
        >
          {named([key])} ×
        </Button>
      ))}
      <Select
        maxW="110px"
        aria-label={t("routines.stage_table.waits_for_2", { stage: stage.name, words })}
        value=""
        onChange={(event) => onChange([...keys, event.target.value])}
      >
        <option value="">{t("routines.stage_table.wait_for")}</option>
        {free.map((one) => (
          <option key={one.key} value={one.key}>
            {named([one.key])}
          </option>
        ))}
      </Select>
    </Flex>
  );
}

/** A stage that was added and not stored yet. */
const asStage = (one: StageChange): Stage => ({
  key: one.key,
  name: one.name ?? "",
  scope: one.scope ?? "section",
  aspect: one.aspect ?? "notes",
  introduced_by: one.introduced_by ?? "section",
  ladder: false,
  good_days: one.good_days ?? 1,
  repetitions: one.repetitions ?? 5,
  percent: one.percent ?? 60,
  done: one.done ?? "",
  needs: one.needs ?? [],
  after: one.after ?? [],
});
