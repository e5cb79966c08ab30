import { type KeyboardEvent, useRef, useState } from "react";
import type { Schemas } from "../api/client";
import { colour, edgeOf, tintOf } from "../theme/system";
import { t } from "../words";
import { dayAndMonth } from "./dates";
import { useRoom } from "./page/useRoom";
import { StairLetters } from "./StairLetters";
import { flightName } from "./StairsTable";
import { Word } from "./Word";

type Climb = Schemas["Stairs"];
type Rise = Climb["real"][number];

const USUAL = 1190;
const LEFT = 46;
const RIGHT = 24;
const TOP = 22;
const FOOT = 30;
const DAY = 86_400_000;

const noon = (date: string) => new Date(`${date}T12:00:00Z`).getTime();

type Props = {
  climb: Climb;
  said: string;
  today: string;
  due: string | null;
  about: (step: string) => string;
  /** The step that is pointed at or has the focus, null for none. */
  onShow: (step: string | null) => void;
};

/** One staircase: to the right the days, upward the work that is steady. */
export function Staircase({ climb, said, today, due, about, onShow }: Props) {
  const svg = useRef<SVGSVGElement>(null);
  const width = useRoom(svg, USUAL);
  const height = width < 600 ? 280 : 340;
  const base = height - FOOT;
  const from = noon(climb.from);
  const span = Math.max(noon(climb.to) - from, 14 * DAY) + 3 * DAY;
  const x = (date: string) => LEFT + ((noon(date) - from) / span) * (width - LEFT - RIGHT);
  const y = (percent: number) => base - (percent / 100) * (base - TOP);
  const top = climb.real.at(-1)?.to ?? 0;
  const path = (rises: Rise[], start: { date: string; at: number }, end?: string) =>
    [
      `M${f(x(start.date))} ${f(y(start.at))}`,
      ...rises.map((rise) => `H${f(x(rise.date))}V${f(y(rise.to))}`),
      end ? `H${f(x(end))}` : "",
    ].join("");
  const ground = { date: climb.from, at: 0 };
  const here = { date: today, at: top };
  const real = path(climb.real, ground, today);
  return (
    <svg
      ref={svg}
      viewBox={`0 0 ${width} ${height}`}
      width="100%"
      role="group"
      aria-label={said}
      style={{ display: "block", maxWidth: USUAL }}
    >
      {[0, 25, 50, 75, 100].map((percent) => (
        <g key={percent}>
          <line
            x1={LEFT}
            x2={width - RIGHT}
            y1={y(percent)}
            y2={y(percent)}
            stroke={colour("line")}
          />
          <Word x={LEFT - 6} y={y(percent) + 4} anchor="end">
            {t("components.stairs.percent", { percent })}
          </Word>
        </g>
      ))}
      {days(climb, width).map((date) => (
        <Word key={date} x={x(date)} y={base + 22} anchor="middle">
          {dayAndMonth(date)}
        </Word>
      ))}
      {climb.lessons.map((day) => (
        <rect key={day} x={x(day) - 4} y={base + 3} width="8" height="3" fill={colour("ink")} />
      ))}
      <path d={`${real}V${base}H${f(x(climb.from))}z`} fill={colour("shade")} />
      <path d={path(climb.planned, ground)} fill="none" stroke={colour("soft")} strokeWidth="1.2" />
      <path d={real} fill="none" stroke={colour("ink")} strokeWidth="2.4" />
      <Treads climb={climb} x={x} y={y} today={today} about={about} onShow={onShow} />
      <StairLetters climb={climb} x={x} y={y} />
      <path
        d={path(climb.cautious, here)}
        fill="none"
        stroke={colour("brass")}
        strokeWidth="1.6"
        strokeDasharray="1.5 3"
      />
      <path
        d={path(climb.likely, here)}
        fill="none"
        stroke={colour("brass")}
        strokeWidth="2"
        strokeDasharray="6 3"
      />
      <Upright x={x(today)} base={base} tone="rail" anchor={due && due > today ? "end" : "start"}>
        {t("components.stairs.today")}
      </Upright>
      {due && (
        <Upright
          x={x(due)}
          base={base}
          tone="brick"
          anchor={due > today ? "start" : "end"}
          width={width}
        >
          {t("components.stairs.due")}
        </Upright>
      )}
    </svg>
  );
}

type UprightProps = {
  x: number;
  base: number;
  tone: "rail" | "brick";
  anchor: "start" | "end";
  width?: number;
  children: string;
};

/** A day that matters, from top to foot. */
function Upright({ x, base, tone, anchor, width, children }: UprightProps) {
  const side = width && x > width - 60 ? "end" : anchor;
  return (
    <>
      <line x1={x} x2={x} y1={4} y2={base + 8} stroke={colour(tone)} strokeWidth="2" />
      <Word
        x={side === "end" ? x - 5 : x + 5}
        y={13}
        size={13}
        weight={700}
        anchor={side}
        tone={tone}
      >
        {children}
      </Word>
    </>
  );
}

type TreadsProps = Pick<Props, "climb" | "today" | "about" | "onShow"> & {
  x: (date: string) => number;
  y: (percent: number) => number;
};

/** What was climbed, tread by tread: one stop for keys, arrows go up and down. */
function Treads({ climb, x, y, today, about, onShow }: TreadsProps) {
  const [chosen, setStop] = useState(0);
  const group = useRef<SVGGElement>(null);
  const rises = climb.real;
  // What is taken back takes its tread along.
  const stop = Math.min(chosen, rises.length - 1);
  const flightOf = new Map(
    climb.flights.flatMap((flight) => flight.treads.map((tread) => [tread.id, flight] as const)),
  );
  const secure = new Set(
    climb.flights.flatMap((flight) =>
      flight.treads.filter((one) => one.state === "secure").map((one) => one.id),
    ),
  );
  if (rises.length === 0) return null;

  const end = (at: number) =>
    rises.slice(at).find((one) => one.date !== rises[at]?.date)?.date ?? today;
  const move = (event: KeyboardEvent) => {
    const to = {
      ArrowRight: stop + 1,
      ArrowUp: stop + 1,
      ArrowLeft: stop - 1,
      ArrowDown: stop - 1,
    }[event.key];
    if (to === undefined || !rises[to]) return;
    event.preventDefault();
    setStop(to);
    (group.current?.children[to] as SVGElement | undefined)?.focus();
  };
  return (
    <g ref={group} role="listbox" aria-label={t("components.stairs.treads")} onKeyDown={move}>
      {rises.map((rise, at) => {
        const flight = flightOf.get(rise.id);
        const wide = Math.max(x(end(at)) - x(rise.date), 4);
        const high = Math.max(y(rise.from) - y(rise.to), 1);
        const name = flight ? flightName(flight) : "";
        const named = flight?.kind === "section";
        return (
          <g
            key={rise.id}
            role="option"
            aria-selected={at === stop}
            aria-label={about(rise.id)}
            tabIndex={at === stop ? 0 : -1}
            onFocus={() => {
              setStop(at);
              onShow(rise.id);
            }}
            onBlur={() => onShow(null)}
            onPointerEnter={() => onShow(rise.id)}
            // A finger that is lifted leaves too, and wants to read what it touched.
            onPointerLeave={(event) => event.pointerType === "mouse" && onShow(null)}
          >
            <title>{about(rise.id)}</title>
            <rect
              x={x(rise.date)}
              y={y(rise.to)}
              width={wide}
              height={Math.max(high, 24)}
              fill="transparent"
            />
            <rect
              x={x(rise.date)}
              y={y(rise.to) + 1.2}
              width={wide}
              height={Math.max(high - 1.2, 1)}
              fill={named ? tintOf(name) : colour("line")}
              fillOpacity={named ? 1 : 0.7}
            />
            {named && (
              <line
                x1={x(rise.date)}
                x2={x(rise.date) + wide}
                y1={y(rise.from) - 0.8}
                y2={y(rise.from) - 0.8}
                stroke={colour("ink")}
                strokeDasharray={edgeOf(name)}
              />
            )}
            {secure.has(rise.id) && (
              <line
                x1={x(rise.date)}
                x2={x(rise.date) + wide}
                y1={y(rise.to) - 3.5}
                y2={y(rise.to) - 3.5}
                stroke={colour("ink")}
              />
            )}
          </g>
        );
      })}
    </g>
  );
}

// Two decimals are finer than any screen.
const f = (value: number) => Number(value.toFixed(2));

/** Days for the foot of the stairs, whole weeks apart, as many as have room. */
function days({ from, to }: Climb, width: number) {
  const start = noon(from);
  const span = noon(to) - start;
  const weeks = Math.max(1, Math.ceil(span / (7 * DAY) / (width / 80)));
  const count = Math.floor(span / (weeks * 7 * DAY));
  return Array.from({ length: count + 1 }, (_, at) =>
    new Date(start + at * weeks * 7 * DAY).toISOString().slice(0, 10),
  );
}
