import { Text, VisuallyHidden } from "@chakra-ui/react";
import { Pin } from "lucide-react";
import type { Schemas } from "../../api/client";
import { t } from "../../words";
import { Button } from "../Button";
import { minutes } from "../dates";
import type { Chosen, WeekOverrides } from "./useWeekOverrides";

type Props = {
  at: Chosen;
  item: Schemas["WeekItem"] | Schemas["WarmUp"];
  row: Schemas["WeekRow"];
  drawn: WeekOverrides;
  dragged: boolean;
};

/** One thing in a cell of the chart: how far its row has come, how often, at which tempo. */
export function Cell({ at, item, row, drawn, dragged }: Props) {
  const chosen = drawn.chosen?.id === at.id && drawn.chosen.date === at.date;
  const step = "step_id" in item ? item : null;
  const breaks = step?.breaks;
  return (
    <Button
      display="block"
      w="100%"
      h="auto"
      minW={0}
      minH="28px"
      textAlign="left"
      whiteSpace="normal"
      fontWeight={400}
      lineHeight={1.3}
      px="6px"
      py="1px"
      mb="1px"
      data-item={at.id}
      data-date={at.date}
      aria-pressed={chosen}
      bg={breaks ? "brickSoft" : "transparent"}
      borderColor={breaks ? "brick" : chosen ? "slate" : "transparent"}
      opacity={dragged ? 0.5 : 1}
      cursor="grab"
      css={{ touchAction: "pan-y" }}
      onFocus={() => drawn.choose(at)}
      onMouseEnter={() => drawn.point(at)}
      onClick={() => drawn.choose(at)}
    >
      <VisuallyHidden>
        {item.title}, {minutes(item.minutes)}:{" "}
      </VisuallyHidden>
      <Text as="span" display="block" fontWeight={step?.begins ? 700 : undefined}>
        {item.pinned && (
          <Pin
            size={13}
            aria-label={t("components.week.standing.put_there_by_you")}
            style={{ display: "inline", marginRight: 4, verticalAlign: "-1px" }}
          />
        )}
        {[named(row, step), times(step, item)].filter(Boolean).join(" ")}
      </Text>
      {step?.tempo && row.kind !== "keep_fresh" && (
        <Text as="span" display="block" fontSize="sm" color="soft">
          {t("components.week.chart.at_tempo", { tempo: step.tempo })}
        </Text>
      )}
      {breaks && (
        <Text as="span" display="block" fontSize="sm" color="brick" fontWeight={600}>
          {breaks}
        </Text>
      )}
    </Button>
  );
}

/** Its stage; of several sections in a row, which one. */
function named(row: Schemas["WeekRow"], step: Schemas["WeekItem"] | null) {
  if (!step || step.kind === "run") return step?.title;
  if (step.stage?.toLowerCase() === row.title.toLowerCase()) return null;
  if (row.kind === "grow") return step.stage;
  const section = step.section !== row.title && row.kind !== "hard_place" && step.section;
  if (row.kind === "keep_fresh") return section;
  return [section, step.stage].filter(Boolean).join(" ");
}

const times = (step: Schemas["WeekItem"] | null, item: Props["item"]) =>
  step?.repetitions ? `×${step.repetitions}` : step?.kind === "run" ? "×1" : minutes(item.minutes);
