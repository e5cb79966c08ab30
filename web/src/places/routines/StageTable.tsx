import { chakra, Input, Text } from "@chakra-ui/react";
import type { Schemas } from "../../api/client";
import type { StageChange } from "../../api/queries";

type Routine = Schemas["Routine"];
type Stage = Routine["stages"][number];

const Table = chakra("table");
const Cell = chakra("td");
const Head = chakra("th");

const SCOPES: Record<string, string> = {
  spot: "each spot",
  section: "each section",
  seam: "each join",
  growing: "joined sections",
  whole: "the whole piece",
};

type Props = {
  routine: Routine;
  changes: Record<string, StageChange>;
  /** Without it the table can only be looked at. */
  onChange?: (key: string, what: Partial<StageChange>) => void;
};

/** The stages of a routine, a row each, in their order. */
export function StageTable({ routine, changes, onChange }: Props) {
  const named = (keys: string[]) =>
    keys.map((key) => routine.stages.find((one) => one.key === key)?.name ?? key).join(", ");
  return (
    <Table
      w="100%"
      fontSize="sm"
      css={{
        "& th": { textAlign: "left", fontWeight: 650, color: "soft", padding: "3px 6px" },
        "& td": { padding: "3px 6px", borderTop: "1px solid var(--chakra-colors-line)", verticalAlign: "top" },
      }}
    >
      <thead>
        <tr>
          <Head scope="col">Stage</Head>
          <Head scope="col">On</Head>
          <Head scope="col">Good days</Head>
          <Head scope="col">Times a day</Head>
          <Head scope="col">% of the aim</Head>
          <Head scope="col">Waits for</Head>
          {onChange && <Head scope="col">Kept</Head>}
        </tr>
      </thead>
      <tbody>
        {routine.stages.map((stage) => (
          <Row key={stage.key} stage={stage} said={changes[stage.key]} onChange={onChange} named={named} />
        ))}
      </tbody>
    </Table>
  );
}

type RowProps = { stage: Stage; said?: StageChange; onChange: Props["onChange"]; named: (keys: string[]) => string };

function Row({ stage, said, onChange, named }: RowProps) {
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
        <Text fontWeight={650} textDecoration={gone ? "line-through" : undefined}>
          {stage.name}
        </Text>
        <Text color="soft">done when {stage.done}</Text>
      </Cell>
      <Cell>{SCOPES[stage.scope] ?? stage.scope}</Cell>
      <Cell>{number("good_days", "Good days")}</Cell>
      <Cell>{number("repetitions", "Times a day")}</Cell>
      <Cell>{number("percent", "Percent of the aim")}</Cell>
      <Cell>
        {stage.needs.length > 0 && <Text>on earlier days: {named(stage.needs)}</Text>}
        {stage.after.length > 0 && <Text>same sitting: {named(stage.after)}</Text>}
      </Cell>
      {onChange && (
        <Cell>
          <input
            type="checkbox"
            aria-label={`Keep ${stage.name}`}
            checked={!gone}
            onChange={(event) => onChange(stage.key, { kept: event.target.checked })}
          />
        </Cell>
      )}
    </tr>
  );
}
