import { chakra, Input, Text } from "@chakra-ui/react";
import type { Schemas } from "../../api/client";
import type { StageChange } from "../../api/queries";
import { Button } from "../../components/Button";
import { t } from "../../words";
import { StageDetails } from "./StageDetails";

type Routine = Schemas["Routine"];
type Stage = Routine["stages"][number];

const Table = chakra("table");
const Cell = chakra("td");
const Head = chakra("th");

export const SCOPES = ["spot", "section", "line", "page", "verse", "join", "growing", "whole"];
export const scopeWord = (scope: string) => t(`routines.scopes.${scope}`);

type Props = {
  routine: Routine;
  changes: Record<string, StageChange>;
  onChange: (key: string, what: Partial<StageChange>) => void;
  /** The one of which all can be changed. */
  open: string | null;
  onOpen: (key: string | null) => void;
};

/** The stages of a routine to be changed, a row each, in their order; the rest of one
 * opens below it. */
export function StageTable({ routine, changes, onChange, open, onOpen }: Props) {
  const added = Object.values(changes).filter(
    (one) => one.scope && !routine.stages.some((stage) => stage.key === one.key),
  );
  const all = [...routine.stages, ...added.map(asStage)];
  const named = (keys: string[]) =>
    keys
      .map((key) => changes[key]?.name ?? all.find((one) => one.key === key)?.name ?? key)
      .join(", ");
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
          <Head scope="col">{t("routines.stage_table.kept")}</Head>
        </tr>
      </thead>
      <tbody>
        {all.map((stage) => (
          <Row
            key={stage.key}
            stage={stage}
            said={changes[stage.key]}
            onChange={onChange}
            named={named}
            all={all}
            open={open === stage.key}
            onOpen={(now) => onOpen(now ? stage.key : null)}
          />
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
  open: boolean;
  onOpen: (now: boolean) => void;
};

function Row({ stage, said, onChange, named, all, open, onOpen }: RowProps) {
  const gone = said?.kept === false;
  const change = (what: Partial<StageChange>) => onChange(stage.key, what);
  const number = (field: "good_days" | "repetitions" | "percent", label: string) => {
    const value = said?.[field] ?? stage[field];
    if (value === null || (field === "percent" && said?.seconds)) return "—";
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
        onChange={(event) => change({ [field]: Number(event.target.value) })}
      />
    );
  };
  const waits = (["needs", "after", "everywhere", "earlier"] as const).filter(
    (kind) => (said?.[kind] ?? stage[kind]).length > 0,
  );
  const words = t(open ? "routines.stage_table.less" : "routines.stage_table.change");
  return (
    <>
      <tr id={`stage-${stage.key}`} style={{ opacity: gone ? 0.6 : 1 }}>
        <Cell>
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
            onChange={(event) => change({ name: event.target.value })}
          />
          <Text color="soft">{t("routines.stage_table.done_when", { done: stage.done })}</Text>
          {stage.introduced_by === "stage" && (
            <Text color="soft">{t("routines.stage_table.opens_when_it_was_shown")}</Text>
          )}
        </Cell>
        <Cell>{scopeWord(stage.scope)}</Cell>
        <Cell>{number("good_days", t("routines.stage_table.good_days"))}</Cell>
        <Cell>{number("repetitions", t("routines.stage_table.times_a_day"))}</Cell>
        <Cell>{number("percent", t("routines.stage_table.percent_of_the_target_tempo"))}</Cell>
        <Cell>
          {waits.map((kind) => (
            <Text
              key={kind}
            >{`${t(`routines.details.${kind}`)}: ${named(said?.[kind] ?? stage[kind])}`}</Text>
          ))}
          <Button
            kind="quiet"
            size="xs"
            h="26px"
            minH="26px"
            aria-expanded={open}
            aria-label={t("routines.stage_table.all_of", { words, stage: stage.name })}
            onClick={() => onOpen(!open)}
          >
            {words}
          </Button>
        </Cell>
        <Cell>
          <input
            type="checkbox"
            aria-label={t("routines.stage_table.keep", { stage: stage.name })}
            checked={!gone}
            onChange={(event) => change({ kept: event.target.checked })}
          />
        </Cell>
      </tr>
      {open && !gone && (
        <tr>
          <Cell colSpan={7}>
            <StageDetails stage={stage} said={said} all={all} named={named} onChange={change} />
          </Cell>
        </tr>
      )}
    </>
  );
}

/** A stage that was added and not stored yet. */
const asStage = (one: StageChange): Stage => ({
  key: one.key,
  name: one.name ?? "",
  scope: one.scope ?? "section",
  aspect: one.aspect ?? "notes",
  introduced_by: one.introduced_by ?? "section",
  said: "",
  level: 0,
  ladder: one.ladder ?? false,
  seconds: one.seconds ?? null,
  right: one.right ?? null,
  left: one.left ?? null,
  voice: one.voice ?? null,
  only: one.only ?? [],
  picture: one.picture ?? "both",
  sitting: one.sitting ?? null,
  cue: one.cue ?? null,
  chain: one.chain ?? null,
  small_count: one.small_count ?? false,
  repeats: one.repeats ?? true,
  by_section: one.by_section ?? false,
  everywhere: one.everywhere ?? [],
  earlier: one.earlier ?? [],
  good_days: one.good_days ?? 1,
  repetitions: one.repetitions ?? 5,
  percent: one.percent ?? 60,
  done: one.done ?? "",
  needs: one.needs ?? [],
  after: one.after ?? [],
});
