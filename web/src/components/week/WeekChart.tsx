import { Box, Flex, Grid, Text } from "@chakra-ui/react";
import { useRef, useState } from "react";
import type { Schemas } from "../../api/client";
import { t } from "../../words";
import { Button } from "../Button";
import { minutes, shortDay } from "../dates";
import { Notice } from "../Notice";
import { Cell } from "./Cell";
import { LeftOut, Unmet } from "./LeftOut";
import { Offers } from "./Offers";
import { AddTo, OverrideBar } from "./OverrideBar";
import { useWeekDrag } from "./useWeekDrag";
import { useWeekKeys } from "./useWeekKeys";
import { useWeekOverrides, type WeekOverrides } from "./useWeekOverrides";

type Week = Schemas["Week"];
type Row = Week["rows"][number];
type Day = Week["days"][number];

type Props = {
  week: Week;
  hand: Schemas["WeekOverrides"];
  student: number;
  severalPieces: boolean;
};

/** A week as a chart: a row for each piece of work, a cell for each practice day. Pointing at what
 * is in a cell, or coming to it by keyboard, says where it is and why; it is changed there. */
export function WeekChart({ week, hand, student, severalPieces }: Props) {
  const drawn = useWeekOverrides(student, week, hand);
  const place = useRef<HTMLDivElement>(null);
  const onKey = useWeekKeys(place, drawn);
  const drag = useWeekDrag(drawn);
  return (
    <Box ref={place} data-own-focus onKeyDown={onKey} onMouseLeave={drawn.letGo}>
      <Notice trouble={drawn.trouble} />
      <Box overflowX="auto">
        <Grid
          role="table"
          aria-label={t("components.week.chart.this_week", { count: week.rows.length })}
          templateColumns={`minmax(${TITLE}px, 2fr) repeat(${week.days.length}, minmax(${CELL}px, 1fr))`}
          {...drag.handlers}
        >
          <Head week={week} drawn={drawn} over={drag.over} />
          {week.rows.map((row) => (
            <Line
              key={row.id}
              row={row}
              week={week}
              drawn={drawn}
              severalPieces={severalPieces}
              dragged={drag.item}
              over={drag.over}
            />
          ))}
        </Grid>
      </Box>
      <Flex justify="space-between" gap="12px" wrap="wrap" mt="6px" fontSize="sm" color="soft">
        <Text>{t("components.week.chart.missed_one")}</Text>
        <Text>◆ {t("components.week.chart.on_a_short_day")}</Text>
      </Flex>
      <Offers offers={week.limits} student={student} />
      <OverrideBar drawn={drawn} />
      <Unmet week={week} onTakeBack={drawn.fixed ? null : (id) => drawn.leaveOut(id)} />
      <LeftOut week={week} onPut={drawn.fixed ? null : drawn.put} />
    </Box>
  );
}

// Pixels of a title and of a cell at the least.
const TITLE = 150;
const CELL = 62;

type HeadProps = { week: Week; drawn: WeekOverrides; over: string | null };

/** The practice days by their number, with the weekday that is planned. */
function Head({ week, drawn, over }: HeadProps) {
  const [adding, setAdding] = useState<string | null>(null);
  return (
    <Box role="row" display="contents">
      <Text role="columnheader" fontSize="sm" color="soft" alignSelf="end" pb="6px">
        {t("components.week.chart.this_week", { count: week.rows.length })}
      </Text>
      {week.days.map((day, at) => (
        <Box
          key={day.date}
          role="columnheader"
          data-day={day.date < week.planned_from ? undefined : day.date}
          bg={over === day.date ? "railSoft" : undefined}
          pb="6px"
          pl="6px"
        >
          <Text fontWeight={700}>{t("components.week.chart.day", { number: at + 1 })}</Text>
          <Text fontSize="sm" color="soft">
            {shortDay(day.date)}
          </Text>
          <Text fontSize="sm" color={day.minutes > day.budget ? "brick" : "soft"}>
            {minutes(day.minutes)}
            {day.minutes > day.budget &&
              t("components.week.week_columns.of", { budget: day.budget })}
          </Text>
          {!drawn.fixed && day.date >= week.planned_from && adding !== day.date && (
            <Button
              kind="quiet"
              size="xs"
              className="no-print"
              color="soft"
              data-add={day.date}
              aria-label={t("components.week.week_columns.add_to", { day: shortDay(day.date) })}
              onClick={() => setAdding(day.date)}
            >
              {t("components.week.week_columns.add")}
            </Button>
          )}
          {adding === day.date && (
            <AddTo date={day.date} drawn={drawn} onDone={() => setAdding(null)} />
          )}
        </Box>
      ))}
    </Box>
  );
}

type LineProps = {
  row: Row;
  week: Week;
  drawn: WeekOverrides;
  severalPieces: boolean;
  dragged: { id: string; date: string } | null;
  over: string | null;
};

function Line({ row, week, drawn, severalPieces, dragged, over }: LineProps) {
  const places = week.days
    .flatMap((day) => inRow(day, row))
    .map((item) => ("place" in item ? item.place : null));
  const place = new Set(places).size === 1 ? places[0] : null;
  const where = [severalPieces ? row.piece : null, same(place, row.title) ? null : place].filter(
    Boolean,
  );
  return (
    <Box role="row" display="contents">
      <Box role="rowheader" borderTop="1px solid" borderColor="line" py="8px" pr="8px">
        <Text fontWeight={700} lineHeight={1.25}>
          {row.short_day && (
            <Text as="span" color="rail" aria-label={t("components.week.chart.on_a_short_day")}>
              ◆{" "}
            </Text>
          )}
          {row.title}
        </Text>
        {where.length > 0 && (
          <Text fontSize="sm" color="soft">
            {where.join(", ")}
          </Text>
        )}
      </Box>
      {week.days.map((day) => (
        <Box
          key={day.date}
          role="cell"
          data-day={day.date < week.planned_from ? undefined : day.date}
          borderTop="1px solid"
          borderColor="line"
          bg={over === day.date ? "railSoft" : undefined}
          opacity={day.date < week.planned_from ? 0.75 : 1}
          py="6px"
        >
          {(row.kind === "grow" ? inOneGo(inRow(day, row)) : inRow(day, row)).map((item) => (
            <Cell
              key={item.id}
              at={{ id: item.id, date: day.date }}
              item={item}
              row={row}
              drawn={drawn}
              dragged={dragged?.id === item.id && dragged.date === day.date}
            />
          ))}
        </Box>
      ))}
    </Box>
  );
}

const same = (text: string | null | undefined, title: string) =>
  text?.toLowerCase() === title.toLowerCase();

const inRow = (day: Day, row: Row) =>
  [...day.warm_ups, ...day.items].filter((item) => item.row === row.id);

/** Sections that are played one after another without a stop are one thing. */
function inOneGo<Item extends { id: string; kind?: string; stage?: string | null }>(items: Item[]) {
  return items.filter(
    (item, at) =>
      !items.slice(0, at).some((one) => item.kind === "review" && one.stage === item.stage),
  );
}
