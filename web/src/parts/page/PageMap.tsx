import { type KeyboardEvent, useMemo, useRef } from "react";
import { colour, edgeOf, tintOf } from "../../theme/system";
import { Word } from "../Word";
import { BAR, type Box, lay, ordinal, type PageLines, type SectionSpans, spoken } from "./geometry";
import { type Handle, Handles, useDrag } from "./Handles";

export type Range = { from: number; to: number };

type Props = {
  pages: PageLines;
  width?: number;
  /** Bars lit because they are pointed at, here or in the ribbon. */
  lit: number | null;
  onPoint: (bar: number | null) => void;
  /** The bars chosen; without onChoose the page can only be looked at. */
  chosen: Range | null;
  onChoose?: (range: Range | null) => void;
  /** Sections whose bands can be moved and resized. */
  sections?: SectionSpans[];
  /** A band was dragged: how the script says the section now. */
  onSection?: (statement: string) => void;
  /** The end of a line was dragged: the bars of each line of that page now. */
  onLines?: (page: number, lines: number[]) => void;
};

/** The piece as it lies on paper: pages, lines, bars, signs and sections. */
export function PageMap({ pages, width = 850, lit, onPoint, chosen, onChoose, sections, onSection, onLines }: Props) {
  const { boxes, heads, labels, height } = useMemo(() => lay(pages, width), [pages, width]);
  const drag = useRef<number | null>(null);
  const svg = useRef<SVGSVGElement>(null);
  const pulling = useDrag({ svg, boxes, pages, onSection, onLines });
  const shown = pulling.range ?? chosen;
  const cursor = chosen?.to ?? boxes[0]?.bar.index ?? 1;

  const choose = (from: number, to: number) => onChoose?.({ from: Math.min(from, to), to: Math.max(from, to) });

  const onKeyDown = (event: KeyboardEvent) => {
    const focused = Number((event.target as Element).getAttribute("data-bar"));
    const next = step(boxes, focused, event.key);
    if (event.key === "Escape") onChoose?.(null);
    if (!next) return;
    event.preventDefault();
    const anchor = event.shiftKey && chosen ? (focused === chosen.from ? chosen.to : chosen.from) : next;
    choose(anchor, next);
    onPoint(next);
    svg.current?.querySelector<SVGGElement>(`[data-bar="${next}"]`)?.focus();
  };

  return (
    <svg
      ref={svg}
      viewBox={`0 0 ${width} ${height}`}
      width="100%"
      role="listbox"
      aria-multiselectable="true"
      aria-label="The page. Arrow keys move from bar to bar, with shift they choose several."
      style={{ display: "block", touchAction: "none", userSelect: "none" }}
      onKeyDown={onKeyDown}
      onPointerLeave={() => onPoint(null)}
      onPointerMove={pulling.move}
      onPointerUp={() => {
        drag.current = null;
        pulling.end();
      }}
    >
      {heads.map((head) => (
        <Word key={head.number} x={head.x} y={head.y} size={13} weight={700} tone="soft">
          Page {head.number}
        </Word>
      ))}
      {labels.map((label) => (
        <Word key={`${label.x}-${label.y}`} x={label.x} y={label.y} size={12} tone="soft" anchor="end">
          {label.text}
        </Word>
      ))}
      {boxes.map((box, at) => (
        <BarBox
          key={box.bar.index}
          box={box}
          before={boxes[at - 1]}
          lit={lit === box.bar.index}
          chosen={!!chosen && box.bar.index >= chosen.from && box.bar.index <= chosen.to}
          reachable={cursor === box.bar.index}
          onFocus={() => onPoint(box.bar.index)}
          onPointerEnter={() => {
            onPoint(box.bar.index);
            if (drag.current !== null) choose(drag.current, box.bar.index);
          }}
          onPointerDown={(event) => {
            (event.currentTarget as Element).releasePointerCapture?.(event.pointerId);
            drag.current = event.shiftKey && chosen ? chosen.from : box.bar.index;
            choose(drag.current, box.bar.index);
          }}
        />
      ))}
      <g aria-hidden="true" pointerEvents="none">
        {boxes.map((box, at) => (
          <Around key={box.bar.index} box={box} before={boxes[at - 1]} />
        ))}
      </g>
      {shown && <Outline boxes={boxes.filter((box) => box.bar.index >= shown.from && box.bar.index <= shown.to)} />}
      <Handles
        boxes={boxes}
        sections={onSection ? (sections ?? []) : []}
        lines={!!onLines}
        onTake={(handle: Handle, event) => pulling.take(handle, event)}
        pulled={pulling.count}
      />
    </svg>
  );
}

/** Where an arrow key leads. */
function step(boxes: Box[], from: number, key: string): number | undefined {
  const at = boxes.findIndex((box) => box.bar.index === from);
  const box = boxes[at];
  if (!box) return;
  if (key === "ArrowRight") return boxes[at + 1]?.bar.index;
  if (key === "ArrowLeft") return boxes[at - 1]?.bar.index;
  if (key === "Home") return boxes[0]?.bar.index;
  if (key === "End") return boxes[boxes.length - 1]?.bar.index;
  if (key !== "ArrowDown" && key !== "ArrowUp") return;
  const lines = [...new Set(boxes.map((one) => `${one.page}/${one.line}`))];
  const line = lines[lines.indexOf(`${box.page}/${box.line}`) + (key === "ArrowDown" ? 1 : -1)];
  const place = (one: Box) => boxes.filter((other) => other.page === one.page && other.line === one.line).indexOf(one);
  const row = boxes.filter((one) => `${one.page}/${one.line}` === line);
  return (row[place(box)] ?? row[row.length - 1])?.bar.index;
}

type BoxProps = {
  box: Box;
  before: Box | undefined;
  lit: boolean;
  chosen: boolean;
  reachable: boolean;
  onFocus: () => void;
  onPointerEnter: () => void;
  onPointerDown: (event: React.PointerEvent) => void;
};

function BarBox({ box, before, lit, chosen, reachable, ...does }: BoxProps) {
  const { bar, x, y, width } = box;
  const startsLine = starts(box, before);
  const tone = lit ? colour("railSoft") : bar.relation === "new" ? colour("shade") : colour("sheet");
  return (
    <g
      role="option"
      data-bar={bar.index}
      tabIndex={reachable ? 0 : -1}
      aria-selected={chosen}
      aria-label={spoken(bar)}
      {...does}
      style={{ cursor: "pointer", outline: "none" }}
    >
      <rect x={x} y={y} width={width} height={BAR} fill={tone} />
      {!lit && (bar.relation === "moved" || bar.relation === "rhythm") && (
        <rect x={x} y={y + BAR / 2} width={width} height={BAR / 2} fill={colour("shade")} />
      )}
      <path
        d={`M${x} ${y}H${x + width}M${x} ${y + BAR}H${x + width}M${x + width} ${y}V${y + BAR}`}
        stroke={colour("ink")}
        strokeWidth="1"
      />
      {startsLine && <path d={`M${x} ${y}V${y + BAR}`} stroke={colour("ink")} strokeWidth="1" />}
      <Word x={x + (bar.opens ? 15 : 6)} y={y + 15} size={12} tone="soft">
        {bar.name === "0" ? "" : bar.name}
      </Word>
      {bar.opens && <RepeatSign x={x} y={y} side={1} />}
      {bar.double && <path d={`M${x + width - 4} ${y}V${y + BAR}`} stroke={colour("ink")} strokeWidth="1" />}
      {bar.marks.length > 0 && (
        <Word x={x + 6} y={y + BAR - 5} size={11} tone="soft">
          {short(bar.marks, width)}
        </Word>
      )}
      {bar.closes && <RepeatSign x={x + width} y={y} side={-1} times={bar.closes} />}
    </g>
  );
}

/** As many of the marks as the box has room for. */
function short(marks: string[], width: number) {
  const room = Math.floor((width - 12) / 5.6);
  const words = [...new Set(marks)].join(" · ");
  return words.length <= room ? words : `${words.slice(0, Math.max(room - 1, 1)).trimEnd()}…`;
}

const starts = (box: Box, before: Box | undefined) => !before || before.y !== box.y || before.page !== box.page;

/** What stands over and under a bar: brackets of endings, the band of its
 * section. The bar's own label says it in words. */
function Around({ box, before }: { box: Box; before: Box | undefined }) {
  const { bar, x, y, width } = box;
  const startsLine = starts(box, before);
  const startsSection = bar.section && (startsLine || before?.bar.section !== bar.section);
  return (
    <>
      {bar.endings.map((ending) => (
        <Bracket key={ending.passes.join()} box={box} ending={ending} startsLine={startsLine} />
      ))}
      {bar.signs.map((sign) => (
        <Tag key={sign.words} box={box} sign={sign} over={bar.endings.length > 0} />
      ))}
      {bar.section && (
        <>
          <rect x={x} y={y + BAR + 2} width={width} height={14} fill={tintOf(bar.section)} />
          <path
            d={`M${x} ${y + BAR + 16}H${x + width}`}
            stroke={colour("ink")}
            strokeWidth="1.6"
            strokeDasharray={edgeOf(bar.section)}
          />
          {startsSection && (
            <Word x={x + 6} y={y + BAR + 13.5} size={12.5} weight={750} tone="ink">
              {bar.section}
            </Word>
          )}
        </>
      )}
    </>
  );
}

/** Thick line and two dots, on the side where the repeat lies. */
function RepeatSign({ x, y, side, times }: { x: number; y: number; side: 1 | -1; times?: number }) {
  return (
    <>
      <path d={`M${x + side} ${y}V${y + BAR}`} stroke={colour("ink")} strokeWidth="4" />
      <circle cx={x + 8 * side} cy={y + 20} r="2.2" fill={colour("ink")} />
      <circle cx={x + 8 * side} cy={y + 30} r="2.2" fill={colour("ink")} />
      {times && times > 2 && (
        <Word x={x} y={y - 5} size={12} weight={650} tone="ink" anchor="end">
          {times} times
        </Word>
      )}
    </>
  );
}

type Sign = Box["bar"]["signs"][number];

/** A sign in words on a tab over its bar: where it begins or where it ends. */
function Tag({ box, sign, over }: { box: Box; sign: Sign; over: boolean }) {
  const width = sign.words.length * 6.4 + 12;
  const x = sign.side === "start" ? box.x : box.x + box.width - width;
  const y = box.y - (over ? 34 : 17);
  return (
    <>
      <rect x={x} y={y} width={width} height={15} rx={2} fill={colour(sign.jump ? "brass" : "ink")} />
      <Word x={x + 6} y={y + 11.5} weight={650} tone="sheet">
        {sign.words}
      </Word>
    </>
  );
}

type Ending = Box["bar"]["endings"][number];

function Bracket({ box, ending, startsLine }: { box: Box; ending: Ending; startsLine: boolean }) {
  const { x, y, width } = box;
  const inset = ending.last ? 4 : 0;
  return (
    <>
      <path
        d={`${ending.first ? `M${x + 2} ${y - 3}V${y - 17}` : `M${x} ${y - 17}`}H${x + width - inset}${ending.last ? `V${y - 9}` : ""}`}
        fill="none"
        stroke={colour("ink")}
        strokeWidth="1.4"
      />
      {(ending.first || startsLine) && (
        <Word x={x + 7} y={y - 5} size={12} weight={650} tone="ink">
          {ending.passes.map(ordinal).join(", ")} time
        </Word>
      )}
    </>
  );
}

/** One frame around the chosen bars of each line. */
function Outline({ boxes }: { boxes: Box[] }) {
  const lines = [...new Set(boxes.map((box) => `${box.page}/${box.line}`))];
  const rows = lines.map((line) => boxes.filter((box) => `${box.page}/${box.line}` === line));
  return (
    <>
      {rows.map((row) => {
        const first = row[0] as Box;
        const last = row[row.length - 1] as Box;
        return (
          <rect
            key={first.bar.index}
            x={first.x}
            y={first.y}
            width={last.x + last.width - first.x}
            height={BAR}
            fill="none"
            stroke={colour("rail")}
            strokeWidth="3"
            pointerEvents="none"
          />
        );
      })}
    </>
  );
}
