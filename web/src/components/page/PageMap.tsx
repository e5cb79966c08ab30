import { type KeyboardEvent, useMemo, useRef } from "react";
import type { Move, Shift } from "../../api/queries";
import { colour } from "../../theme/system";
import { t } from "../../words";
import { Word } from "../Word";
import { Around } from "./Around";
import { BarBox } from "./BarBox";
import { type Box, lay, type PageLines, type SectionSpans } from "./geometry";
import { type Handle, Handles, useDrag } from "./Handles";
import { useRoom } from "./useRoom";

export type Range = { from: number; to: number };

type Props = {
  pages: PageLines;
  width?: number;
  /** Lines close together, with the numbers of the bars alone. */
  close?: boolean;
  /** Bars lit because they are pointed at, here or in the ribbon. */
  lit: number | null;
  onPoint: (bar: number | null) => void;
  /** The bars chosen; without onChoose the page can only be looked at. */
  chosen: Range | null;
  onChoose?: (range: Range | null) => void;
  /** Sections whose bands can be moved and resized. */
  sections?: SectionSpans[];
  /** A band was dragged: how the script says the section now. */
  onMove?: (move: Move) => void;
  /** The end of a line was dragged: the bars of each line of that page now. */
  onShift?: (shift: Shift) => void;
};

/** The piece as it lies on paper: pages, lines, bars, signs and sections. */
export function PageMap({
  pages,
  width: usual = 850,
  close = false,
  lit,
  onPoint,
  chosen,
  onChoose,
  sections,
  onMove,
  onShift,
}: Props) {
  const svg = useRef<SVGSVGElement>(null);
  const width = useRoom(svg, usual);
  const { boxes, heads, labels, height } = useMemo(
    () => lay(pages, width, close),
    [pages, width, close],
  );
  const drag = useRef<number | null>(null);
  const pulling = useDrag({ svg, boxes, onMove, onShift });
  const shown = pulling.range ?? chosen;
  const cursor = chosen?.to ?? boxes[0]?.bar.index ?? 1;

  const choose = (from: number, to: number) =>
    onChoose?.({ from: Math.min(from, to), to: Math.max(from, to) });

  const onKeyDown = (event: KeyboardEvent) => {
    const focused = Number((event.target as Element).getAttribute("data-bar"));
    const next = step(boxes, focused, event.key);
    if (event.key === "Escape") onChoose?.(null);
    if (!next) return;
    event.preventDefault();
    const anchor =
      event.shiftKey && chosen ? (focused === chosen.from ? chosen.to : chosen.from) : next;
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
      aria-label={t("components.page.page_map.the_page_arrow_keys_move_from")}
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
          {t("components.page.page_map.page", { number: head.number })}
        </Word>
      ))}
      {labels.map((label) => (
        <Word
          key={`${label.x}-${label.y}`}
          x={label.x}
          y={label.y}
          size={13}
          tone="soft"
          anchor="end"
        >
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
      {shown && (
        <Outline
          boxes={boxes.filter((box) => box.bar.index >= shown.from && box.bar.index <= shown.to)}
        />
      )}
      <Handles
        boxes={boxes}
        sections={onMove ? (sections ?? []) : []}
        lines={!!onShift}
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
  const place = (one: Box) =>
    boxes.filter((other) => other.page === one.page && other.line === one.line).indexOf(one);
  const row = boxes.filter((one) => `${one.page}/${one.line}` === line);
  return (row[place(box)] ?? row[row.length - 1])?.bar.index;
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
            height={first.height}
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
