import { Box, Flex, Text } from "@chakra-ui/react";
import { useState } from "react";
import type { Schemas } from "../api/client";
import { colour } from "../theme/system";
import { t } from "../words";
import { Button } from "./Button";
import { dayAndMonth, listed } from "./dates";
import { Staircase } from "./Staircase";
import { period, StairsTable } from "./StairsTable";
import { stateWord } from "./StateMark";

type Climb = Schemas["Stairs"];
type Props = { climb: Climb; title: string; today: string; due: string | null };

/** The stairs of one piece: the planned climb in outline, the real one tread by
 * tread, today and the due date as lines, and how it will likely go on as a broken line, with its
 * cautious end. The same as a table for those who cannot see it. */
export function Stairs({ climb, title, today, due }: Props) {
  const [asTable, setAsTable] = useState(false);
  const [shown, setShown] = useState<string | null>(null);
  const treads = new Map(
    climb.flights.flatMap((flight) => flight.treads.map((one) => [one.id, about(one)] as const)),
  );
  return (
    <Box>
      <Text fontWeight={650}>{climb.said}</Text>
      {asTable ? (
        <StairsTable climb={climb} title={title} />
      ) : (
        <>
          <Staircase
            climb={climb}
            said={said(climb, title, due)}
            today={today}
            due={due}
            about={(step) => treads.get(step) ?? ""}
            onShow={setShown}
          />
          <Text fontSize="sm" minH="1.5em" aria-hidden="true" className="no-print">
            {shown
              ? treads.get(shown)
              : climb.real.length > 0 && t("components.stairs.point_at_a_tread")}
          </Text>
          <Legend />
        </>
      )}
      <Button size="xs" kind="quiet" className="no-print" onClick={() => setAsTable(!asTable)}>
        {asTable ? t("components.stairs.show_as_stairs") : t("components.stairs.show_as_a_table")}
      </Button>
    </Box>
  );
}

/** What the lines mean. */
function Legend() {
  const lines = [
    ["really", { stroke: colour("ink"), strokeWidth: 2.4 }],
    ["planned", { stroke: colour("soft"), strokeWidth: 1.2 }],
    ["likely", { stroke: colour("brass"), strokeWidth: 2, strokeDasharray: "6 3" }],
    ["cautious", { stroke: colour("brass"), strokeWidth: 1.6, strokeDasharray: "1.5 3" }],
  ] as const;
  return (
    <Flex gap="2px 16px" wrap="wrap" fontSize="sm" color="soft">
      {lines.map(([name, drawn]) => (
        <Flex key={name} as="span" align="center" gap="6px">
          <svg width="24" height="8" aria-hidden="true">
            <path d="M0 4H24" {...drawn} />
          </svg>
          {t(`components.stairs.legend.${name}`)}
        </Flex>
      ))}
      <span>{t("components.stairs.legend.rail")}</span>
      <span>{t("components.stairs.legend.lessons")}</span>
    </Flex>
  );
}

function about(tread: Climb["flights"][number]["treads"][number]) {
  const state = t("components.stairs.state", { title: tread.title, state: stateWord(tread.state) });
  const when = (["planned", "real", "likely"] as const).map((kind) => {
    const days = tread[kind];
    return days && t(`components.stairs.${kind}`, { period: period(days) });
  });
  return listed([state, ...when]);
}

function said(climb: Climb, title: string, due: string | null) {
  const all = climb.flights.flatMap((flight) => flight.treads);
  const done = all.filter((tread) => tread.state === "steady" || tread.state === "secure").length;
  const steady = t("components.stairs.steady", { title, done, count: all.length });
  const said = listed([steady, due && t("components.stairs.due_on", { day: dayAndMonth(due) })]);
  return t("components.stairs.said", { said });
}
