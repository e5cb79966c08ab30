import { type KeyboardEvent, useRef } from "react";
import type { Schemas } from "../../api/client";
import { colour, tintOf } from "../../theme/system";
import { t } from "../../words";
import { ordinal } from "../dates";
import { Word } from "../Word";
import { useRoom } from "./useRoom";

type Visit = Schemas["Visit"];
type Placed = { visit: Visit; at: number };

const PER_ROW = 60;
// Units below which a row holds fewer bars, each so wide.
const NARROW = 560;
const NARROW_CELL = 16;
const ROW = 74;
const CELL = 26;

type Props = {
  visits: Visit[];
  width?: number;
  lit: number | null;
  onPoint: (bar: number | null) => void;
  /** The one bar as played that is walked on. */
  now?: number | null;
  onGo?: (at: number) => void;
};

/** The playing order as one ribbon: every bar as it sounds, one after another. */
export function Ribbon({ visits, width: usual = 862, lit, onPoint, now = null, onGo }: Props) {
  const svg = useRef<SVGSVGElement>(null);
  const focused = useRef(0);
  const width = useRoom(svg, usual);
  const perRow = width < NARROW ? Math.floor(width / NARROW_CELL) : PER_ROW;
  const rows = Math.ceil(visits.length / perRow);
  const across = Math.min(perRow, Math.max(visits.length, 24));
  const unit = width / across;
  const told = roomy(visits, unit, perRow);

  const onKeyDown = (event: KeyboardEvent) => {
    const moves: Record<string, number> = {
      ArrowRight: 1,
      ArrowLeft: -1,
      ArrowDown: perRow,
      ArrowUp: -perRow,
    };
    const next = focused.current + (moves[event.key] ?? 0);
    const visit = visits[next];
    if (!moves[event.key] || !visit) return;
    event.preventDefault();
    svg.current?.querySelector<SVGGElement>(`[data-visit="${next}"]`)?.focus();
  };

  return (
    <svg
      ref={svg}
      viewBox={`0 0 ${width} ${rows * ROW}`}
      width="100%"
      role="listbox"
      aria-label={t("components.page.ribbon.as_played_bar_after_bar_arrow")}
      style={{ display: "block" }}
      onKeyDown={onKeyDown}
      onPointerLeave={() => onPoint(null)}
    >
      {visits.map((visit, at) => (
        <Cell
          key={at}
          placed={{ visit, at }}
          x={(at % perRow) * unit}
          y={Math.floor(at / perRow) * ROW + 20}
          unit={unit}
          lit={lit === visit.bar}
          here={now === at}
          onClick={() => onGo?.(at)}
          onFocus={() => {
            focused.current = at;
            onPoint(visit.bar);
          }}
          onPointerEnter={() => onPoint(visit.bar)}
        />
      ))}
      <g aria-hidden="true" pointerEvents="none">
        {visits.map((visit, at) => (
          <Letters
            key={at}
            visit={visit}
            at={at}
            said={told.has(at)}
            perRow={perRow}
            width={width}
            x={(at % perRow) * unit}
            y={Math.floor(at / perRow) * ROW + 20}
          />
        ))}
      </g>
      {runs(visits, perRow).map((run) => (
        <Word
          key={run.at}
          x={(run.at % perRow) * unit + 1}
          y={Math.floor(run.at / perRow) * ROW + 20 + CELL + 16}
          size={13}
          tone="soft"
        >
          {run.names}
        </Word>
      ))}
    </svg>
  );
}

// Units of half of the words.
const halfOf = (words: string | null) => ((words?.length ?? 0) * 6.9) / 2;

/** Where there is room to write why the music jumps, without running into the
 * words before. */
function roomy(visits: Visit[], unit: number, perRow: number) {
  let end = Number.NEGATIVE_INFINITY;
  let row = -1;
  const found = new Set<number>();
  visits.forEach((visit, at) => {
    if (Math.floor(at / perRow) !== row) end = Number.NEGATIVE_INFINITY;
    row = Math.floor(at / perRow);
    const half = halfOf(visit.reached);
    const x = (at % perRow) * unit;
    if (!visit.reached || x - half < end) return;
    end = x + half + 4;
    found.add(at);
  });
  return found;
}

/** Maximal stretches without a jump, cut at the ends of rows. */
function runs(visits: Visit[], perRow: number) {
  const starts = visits.flatMap((visit, at) =>
    at === 0 || visit.jump || at % perRow === 0 ? [at] : [],
  );
  return starts.map((at, which) => {
    const to = visits[(starts[which + 1] ?? visits.length) - 1] as Visit;
    const from = visits[at] as Visit;
    return { at, names: from.name === to.name ? from.name : `${from.name}–${to.name}` };
  });
}

type CellProps = {
  placed: Placed;
  x: number;
  y: number;
  unit: number;
  lit: boolean;
  here: boolean;
  onClick: () => void;
  onFocus: () => void;
  onPointerEnter: () => void;
};

function Cell({ placed, x, y, unit, lit, here, ...does }: CellProps) {
  const { visit, at } = placed;
  const said = [
    t("components.page.ribbon.bar", { bar: visit.name }),
    visit.section && t("components.page.ribbon.section", { section: visit.section }),
    visit.time > 1 && t("components.page.ribbon.time", { ordinal: ordinal(visit.time) }),
    visit.reached,
    ...visit.notes,
    visit.turn && t("components.page.ribbon.turn_the_page"),
  ];
  return (
    <g
      role="option"
      aria-selected={lit}
      aria-label={said.filter(Boolean).join(", ")}
      data-visit={at}
      tabIndex={at === 0 ? 0 : -1}
      {...does}
      style={{ outline: "none" }}
    >
      <rect
        x={x}
        y={y}
        width={unit}
        height={CELL}
        fill={here ? colour("brassSoft") : visit.section ? tintOf(visit.section) : colour("shade")}
        stroke={colour("sheet")}
        strokeWidth="1"
      />
      {visit.notes.length > 0 && (
        <circle cx={x + unit - 5} cy={y + 6} r="2.4" fill={colour("brass")} />
      )}
      {visit.turn && <path d={`M${x - 5} ${y - 5}h10l-5 6z`} fill={colour("slate")} />}
      {visit.jump && (
        <path d={`M${x} ${y - 5}V${y + CELL + 5}`} stroke={colour("ink")} strokeWidth="2.4" />
      )}
      {here && (
        <rect
          x={x + 1.5}
          y={y - 2}
          width={unit - 3}
          height={CELL + 4}
          fill="none"
          stroke={colour("brass")}
          strokeWidth="3"
        />
      )}
      {lit && (
        <rect
          x={x + 1.5}
          y={y}
          width={unit - 3}
          height={CELL}
          fill="none"
          stroke={colour("rail")}
          strokeWidth="3"
        />
      )}
    </g>
  );
}

type Lettering = {
  visit: Visit;
  at: number;
  said: boolean;
  perRow: number;
  width: number;
  x: number;
  y: number;
};

/** The letters along the ribbon; each cell's own label says them in words. */
function Letters({ visit, at, said, perRow, width, x, y }: Lettering) {
  const first = at % perRow === 0;
  return (
    <>
      {(visit.starts || first) && visit.section && (
        <Word x={x + 4} y={y + 18} size={13} weight={750} tone="ink">
          {visit.section}
        </Word>
      )}
      {said && (
        <Word
          x={x}
          y={y - 8}
          size={13}
          weight={600}
          anchor={
            x + halfOf(visit.reached) > width
              ? "end"
              : x < halfOf(visit.reached)
                ? "start"
                : "middle"
          }
        >
          {visit.reached}
        </Word>
      )}
    </>
  );
}
