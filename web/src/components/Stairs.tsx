import { Box } from "@chakra-ui/react";
import { useState } from "react";
import type { Schemas } from "../api/client";
import { colour, tintOf } from "../theme/system";
import { t } from "../words";
import { Button } from "./Button";
import { dayAndMonth, listed } from "./dates";
import { flightName, period, StairsTable } from "./StairsTable";
import { stateWord } from "./StateMark";
import { Word } from "./Word";

type Climb = Schemas["Stairs"];
type Tread = Climb["flights"][number]["treads"][number];

const WIDTH = 1190;
const LEFT = 92;
const RIGHT = 20;
const TOP = 18;
const ROW = 9;
const FOOT = 34;
const DAY = 86_400_000;

const noon = (date: string) => new Date(`${date}T12:00:00Z`).getTime();

/** The stairs of one piece: planned climb in outline, real climb filled, today and
 * the due date as lines, and how it will likely go on as a broken line, with its
 * cautious end. The same as a table for those who cannot see it. */
export function Stairs({
  climb,
  title,
  today,
  due,
}: {
  climb: Climb;
  title: string;
  today: string;
  due: string | null;
}) {
  const [asTable, setAsTable] = useState(false);
  return (
    <Box>
      {asTable ? (
        <StairsTable climb={climb} title={title} />
      ) : (
        <Drawing climb={climb} title={title} today={today} due={due} />
      )}
      <Button size="xs" kind="quiet" className="no-print" onClick={() => setAsTable(!asTable)}>
        {asTable ? t("components.stairs.show_as_stairs") : t("components.stairs.show_as_a_table")}
      </Button>
    </Box>
  );
}

function Drawing({ climb, title, today, due }: { climb: Climb; title: string; today: string; due: string | null }) {
  const rows = climb.flights.flatMap((flight) => flight.treads);
  const height = TOP + rows.length * ROW + FOOT;
  const from = noon(climb.from);
  const span = Math.max(noon(climb.to) - from, 14 * DAY) + 3 * DAY;
  const x = (date: string) => LEFT + ((noon(date) - from) / span) * (WIDTH - LEFT - RIGHT);
  const end = (date: string) => LEFT + ((noon(date) + DAY - from) / span) * (WIDTH - LEFT - RIGHT);
  const base = TOP + rows.length * ROW;
  // From the bottom up.
  const y = (at: number) => base - (at + 1) * ROW;
  const bands = climb.flights.map((flight, place) => ({
    flight,
    start: climb.flights.slice(0, place).reduce((sum, one) => sum + one.treads.length, 0),
  }));
  // By when everything up to a tread is done: it only ever rises.
  const line = (which: "likely" | "cautious") => {
    let reached = 0;
    return rows.flatMap((tread, at) => {
      const days = tread[which];
      if (days) reached = Math.max(reached, x(days[1] as string));
      if (reached === 0) return [];
      return [`${reached},${y(at) + ROW}`, `${reached},${y(at)}`];
    });
  };
  return (
    <svg viewBox={`0 0 ${WIDTH} ${height}`} width="100%" role="img" aria-label={said(climb, title, due)}>
      {bands.map(({ flight, start }) => (
        <g key={flight.name}>
          <rect
            x={LEFT}
            y={y(start + flight.treads.length - 1)}
            width={WIDTH - LEFT - RIGHT}
            height={flight.treads.length * ROW}
            fill={flight.kind === "section" ? tintOf(flight.name) : colour("shade")}
            opacity={0.55}
          />
          <Word x={LEFT - 10} y={y(start + flight.treads.length / 2) + ROW + 3} size={12.5} weight={650} anchor="end">
            {flightName(flight)}
          </Word>
        </g>
      ))}
      {weeks(climb.from, climb.to).map((date) => (
        <g key={date}>
          <line x1={x(date)} x2={x(date)} y1={TOP} y2={base} stroke={colour("sheet")} strokeWidth="1.5" />
          <Word x={x(date)} y={base + 20} size={11.5} anchor="middle" tone="soft">
            {dayAndMonth(date)}
          </Word>
        </g>
      ))}
      {climb.lessons.map((day) => (
        <rect key={day} x={x(day) - 4} y={base + 2} width="8" height="3" fill={colour("ink")} />
      ))}
      {rows.map((tread, at) => (
        <Step key={tread.id} tread={tread} y={y(at)} x={x} end={end} />
      ))}
      <polyline
        points={line("cautious").join(" ")}
        fill="none"
        stroke={colour("brass")}
        strokeWidth="1.4"
        strokeDasharray="1.5 3"
      />
      <polyline
        points={line("likely").join(" ")}
        fill="none"
        stroke={colour("brass")}
        strokeWidth="1.8"
        strokeDasharray="6 3"
      />
      <line x1={x(today)} x2={x(today)} y1={TOP - 4} y2={base + 8} stroke={colour("rail")} strokeWidth="2" />
      <Word x={x(today)} y={TOP - 7} size={11.5} weight={700} anchor="middle" tone="rail">
        {t("components.stairs.today")}
      </Word>
      {due && (
        <>
          <line x1={x(due)} x2={x(due)} y1={TOP - 4} y2={base + 8} stroke={colour("brick")} strokeWidth="2" />
          <Word x={x(due)} y={TOP - 7} size={11.5} weight={700} anchor="middle" tone="brick">
            {t("components.stairs.due")}
          </Word>
        </>
      )}
    </svg>
  );
}

function Step({
  tread,
  y,
  x,
  end,
}: {
  tread: Tread;
  y: number;
  x: (date: string) => number;
  end: (date: string) => number;
}) {
  const ink = colour("ink");
  const bar = (days: string[]) => ({
    x: x(days[0] as string),
    width: Math.max(end(days[1] as string) - x(days[0] as string), 5),
  });
  const real = tread.real && bar(tread.real);
  const done = tread.state === "steady" || tread.state === "secure";
  return (
    <g>
      <title>{about(tread)}</title>
      {tread.likely && (
        <line
          {...across(bar(tread.likely))}
          y1={y + ROW / 2}
          y2={y + ROW / 2}
          stroke={colour("brass")}
          strokeWidth="1.5"
        />
      )}
      {tread.planned && (
        <rect
          {...bar(tread.planned)}
          y={y + 1.5}
          height={ROW - 3}
          fill={colour("sheet")}
          stroke={ink}
          strokeWidth="0.7"
        />
      )}
      {real && (
        <rect
          x={real.x}
          width={done ? real.width : Math.max(real.width * tread.share, 4)}
          y={y + 2}
          height={ROW - 4}
          fill={ink}
        />
      )}
      {tread.state === "secure" && real && (
        <line x1={real.x} x2={real.x + real.width} y1={y + 0.4} y2={y + 0.4} stroke={ink} strokeWidth="0.9" />
      )}
    </g>
  );
}

function about(tread: Tread) {
  const state = t("components.stairs.state", { title: tread.title, state: stateWord(tread.state) });
  const when = (["planned", "real", "likely"] as const).map((kind) => {
    const days = tread[kind];
    return days && t(`components.stairs.${kind}`, { period: period(days) });
  });
  return listed([state, ...when]);
}

const across = ({ x, width }: { x: number; width: number }) => ({ x1: x, x2: x + width });

function said(climb: Climb, title: string, due: string | null) {
  const all = climb.flights.flatMap((flight) => flight.treads);
  const done = all.filter((tread) => tread.state === "steady" || tread.state === "secure").length;
  const steady = t("components.stairs.steady", { title, done, count: all.length });
  const said = listed([steady, due && t("components.stairs.due_on", { day: dayAndMonth(due) })]);
  return t("components.stairs.said", { said });
}

/** Dates for the foot of the stairs, two weeks apart, or four where it is long. */
function weeks(from: string, to: string) {
  const start = noon(from);
  const apart = ((noon(to) - start) / DAY > 160 ? 28 : 14) * DAY;
  const count = Math.floor((noon(to) - start) / apart);
  return Array.from({ length: count + 1 }, (_, at) => new Date(start + at * apart).toISOString().slice(0, 10));
}
