import { Heading, Text } from "@chakra-ui/react";
import type { Ref } from "react";
import type { Schemas } from "../../api/client";
import { Button } from "../../components/Button";
import { Paper } from "../../components/Paper";
import { t } from "../../words";
import { Folded } from "./Folded";
import type { DayRow } from "./rows";
import { Step } from "./Step";
import { type Item, isDone, keyOf, rests } from "./useTicks";

type Props = {
  row: DayRow;
  open: boolean;
  token: string;
  cautions: Schemas["Sheet"]["cautions"];
  /** None of a day that has not come. */
  onMark?: (item: Item, kind: "repetition" | "struggle" | "hurts") => void;
  onOpen: () => void;
  /** Where something follows. */
  onNext?: () => void;
  ref?: Ref<HTMLDivElement>;
};

/** A row of the week on its day: a line that opens, or, open, a card with all it holds. */
export function Row({ row, open, token, cautions, onMark, onOpen, onNext, ref }: Props) {
  const { items } = row;
  if (!open) return <Folded row={row} onOpen={onOpen} />;
  const over = items.every((item) => isDone(item) || rests(item));
  const next = onNext && (
    <Button kind={over ? "go" : "plain"} minH="48px" width="100%" mt="8px" onClick={onNext}>
      {t("sheet.step.next")}
    </Button>
  );
  const steps = items.map((item) => (
    <Step
      key={keyOf(item)}
      item={item}
      token={token}
      cautions={cautions}
      onMark={onMark && ((kind) => onMark(item, kind))}
    />
  ));
  return (
    <Paper
      ref={ref}
      p="14px"
      mb="10px"
      borderWidth={over ? "1px" : "2px"}
      borderColor={over ? "line" : "rail"}
    >
      <Text fontSize="md" color="soft" fontWeight={650}>
        {items[0]?.piece}
        {row.row?.short_day && ` · ◆ ${t("sheet.rows.on_a_short_day")}`}
      </Text>
      {items.length > 1 && (
        <Heading
          as="h2"
          tabIndex={-1}
          fontSize="1.375rem"
          fontWeight={750}
          lineHeight={1.2}
          outline="none"
          mb="4px"
        >
          {row.row?.title}
        </Heading>
      )}
      {steps}
      {next}
    </Paper>
  );
}
