import { Box, Flex, Grid, Text } from "@chakra-ui/react";
import { useRef, useState } from "react";
import type { Schemas } from "../../api/client";
import { t } from "../../words";
import { Button } from "../Button";
import { dayAndMonth, halves, minutes, shortDay } from "../dates";
import { Notice } from "../Notice";
import { LeftOut, Unmet } from "./LeftOut";
import { AddTo, OverrideBar } from "./OverrideBar";
import { Standing } from "./Standing";
import { useWeekDrag } from "./useWeekDrag";
import { useWeekKeys } from "./useWeekKeys";
import { useWeekOverrides, type WeekOverrides } from "./useWeekOverrides";

type Week = Schemas["Week"];
type Day = Week["days"][number];

type Props = {
  week: Week;
  hand: Schemas["WeekOverrides"];
  student: number;
  severalPieces: boolean;
};

// More days than these go into a second row: weeks with holidays are long.
const IN_A_ROW = 7;

/** A week of the time before there were rows, as day columns: the longer a step, the taller. Pointing at a step, or
 * coming to it by keyboard, says where it is, why it stands there and how its
 * minutes come about; it can be pinned, moved, dropped and changed there. */
export function WeekColumns({ week, hand, student, severalPieces }: Props) {
  const drawn = useWeekOverrides(student, week, hand);
  const place = useRef<HTMLDivElement>(null);
  const onKey = useWeekKeys(place, drawn);
  const drag = useWeekDrag(drawn);
  return (
    <Box ref={place} data-own-focus onKeyDown={onKey} onMouseLeave={drawn.letGo}>
      <Notice trouble={drawn.trouble} />
      <Grid
        templateColumns={{
          base: "minmax(0, 1fr)",
          md: columns(Math.min(week.days.length, IN_A_ROW)),
        }}
        gap="8px"
        alignItems="stretch"
        {...drag.handlers}
      >
        {week.days.map((day) => (
          <Column
            key={day.date}
            day={day}
            drawn={drawn}
            severalPieces={severalPieces}
            gone={day.date < week.planned_from}
            over={drag.over === day.date}
            dragged={drag.item?.date === day.date ? drag.item.id : null}
          />
        ))}
      </Grid>
      <OverrideBar drawn={drawn} />
      <Unmet week={week} onTakeBack={drawn.fixed ? null : (id) => drawn.leaveOut(id)} />
      <LeftOut week={week} onPut={drawn.fixed ? null : drawn.put} />
    </Box>
  );
}

// Pixels below which a day's words would stand a syllable to a line: then fewer days stand side by
// side.
const NARROWEST = 84;
const columns = (days: number) =>
  `repeat(auto-fit, minmax(max(${NARROWEST}px, calc((100% - ${8 * (days - 1)}px) / ${days})), 1fr))`;

type ColumnProps = {
  day: Day;
  drawn: WeekOverrides;
  severalPieces: boolean;
  /** The day has gone by: it can be looked at. */
  gone: boolean;
  over: boolean;
  dragged: string | null;
};

function Column({ day, drawn, severalPieces, gone, over, dragged }: ColumnProps) {
  const [adding, setAdding] = useState(false);
  return (
    <Flex
      as="section"
      direction="column"
      data-day={gone ? undefined : day.date}
      opacity={gone ? 0.75 : 1}
      aria-label={t("components.week.week_columns.of_minutes", {
        weekday: shortDay(day.date),
        day: dayAndMonth(day.date),
        minutes: halves(day.minutes),
        budget: halves(day.budget),
      })}
      bg={over ? "railSoft" : undefined}
      borderRadius="4px"
    >
      <Flex justify="space-between" align="baseline" gap="4px" wrap="wrap">
        <Text fontWeight={700} whiteSpace="nowrap">
          {shortDay(day.date)}{" "}
          <Text as="span" fontWeight={400} fontSize="sm" color="soft">
            {dayAndMonth(day.date)}
          </Text>
        </Text>
        <Text color={day.minutes > day.budget ? "brick" : "soft"} fontSize="sm" whiteSpace="nowrap">
          {minutes(day.minutes)}
          {day.minutes > day.budget && t("components.week.week_columns.of", { budget: day.budget })}
        </Text>
      </Flex>
      <Box aria-hidden="true" h="4px" bg="shade" mb="6px" mt="1px">
        <Box
          h="4px"
          bg={day.minutes > day.budget ? "brick" : "ink"}
          style={{ width: `${Math.min(day.minutes / day.budget, 1) * 100}%` }}
        />
      </Box>
      {day.warm_ups.map((one) => (
        <Standing
          key={one.id}
          at={{ id: one.id, date: day.date }}
          drawn={drawn}
          title={one.title}
          about={minutes(one.minutes)}
          size={one.minutes}
          pinned={one.pinned}
          quiet
        />
      ))}
      {day.items.map((item) => (
        <Standing
          key={item.id}
          at={{ id: item.id, date: day.date }}
          drawn={drawn}
          title={item.title}
          piece={severalPieces ? item.piece : null}
          about={aboutItem(item)}
          size={item.minutes}
          begins={item.begins}
          section={item.section}
          pinned={item.pinned}
          breaks={item.breaks}
          quiet={item.kind !== "step"}
          dragged={dragged === item.id}
        />
      ))}
      {day.items.length === 0 && (
        <Text fontSize="sm" color="soft">
          {t("components.week.week_columns.nothing_planned")}
        </Text>
      )}
      {gone ? (
        <Text fontSize="sm" color="soft" mt="auto">
          {t("components.week.week_columns.gone_by")}
        </Text>
      ) : drawn.fixed ? null : adding ? (
        <AddTo date={day.date} drawn={drawn} onDone={() => setAdding(false)} />
      ) : (
        <Button
          kind="quiet"
          size="sm"
          mt="auto"
          className="no-print"
          color="soft"
          data-add={day.date}
          aria-label={t("components.week.week_columns.add_to", { day: shortDay(day.date) })}
          onClick={() => setAdding(true)}
        >
          {t("components.week.week_columns.add")}
        </Button>
      )}
    </Flex>
  );
}

function aboutItem(item: Schemas["WeekItem"]) {
  const often = `${item.repetitions}×`;
  const more = {
    review: t("components.week.week_columns.to_keep_it"),
    run: t("components.week.week_columns.once_without_stopping"),
    extra_work:
      item.one_of.length && t("students.extra_work.one_of", { choices: item.one_of.join(", ") }),
    added: "",
    more: often,
    step: item.begins
      ? t("components.week.week_columns.new")
      : item.tempo
        ? t("components.week.week_columns.often_at", { often, tempo: item.tempo })
        : often,
  }[item.kind];
  return [minutes(item.minutes), more].filter(Boolean).join(" · ");
}
