import { type PointerEvent, type RefObject, useState } from "react";
import type { Move, Shift } from "../../api/queries";
import { colour } from "../../theme/system";
import type { Box, SectionSpans } from "./geometry";
import type { Range } from "./PageMap";

type SpanHandle = {
  kind: "span";
  section: SectionSpans;
  span: number;
  edge: "from" | "to" | "both";
};
type LineHandle = { kind: "line"; page: number; line: number; unit: number };
/** What can be taken hold of: a section's band or one of its ends, a line's end. */
export type Handle = SpanHandle | LineHandle;

type Dragging = {
  svg: RefObject<SVGSVGElement | null>;
  boxes: Box[];
  onMove?: (move: Move) => void;
  onShift?: (shift: Shift) => void;
};

type Pull = { handle: Handle; grip: number; from: number; x: number; now: number; dx: number };

/** Dragging of bands and line ends; what comes of it is said when one lets go. */
export function useDrag({ svg, boxes, onMove, onShift }: Dragging) {
  const [pull, setPull] = useState<Pull | null>(null);

  const place = (event: PointerEvent) => {
    const matrix = svg.current?.getScreenCTM()?.inverse();
    const point = new DOMPoint(event.clientX, event.clientY);
    return matrix ? point.matrixTransform(matrix) : point;
  };
  const barAt = ({ x, y }: DOMPoint) => {
    const far = (box: Box) =>
      Math.abs(y - box.y - box.height) + Math.max(box.x - x, x - box.x - box.width, 0) * 2;
    return boxes.reduce((best, box) => (far(box) < far(best) ? box : best), boxes[0] as Box).bar
      .index;
  };

  const take = (handle: Handle, event: PointerEvent) => {
    event.stopPropagation();
    const point = place(event);
    const bar = barAt(point);
    const span = handle.kind === "span" ? handle.section.spans[handle.span] : undefined;
    setPull({ handle, grip: span ? bar - span.from : 0, from: bar, x: point.x, now: bar, dx: 0 });
  };
  const move = (event: PointerEvent) => {
    if (!pull) return;
    const point = place(event);
    setPull({ ...pull, now: barAt(point), dx: point.x - pull.x });
  };
  const range = pull?.handle.kind === "span" ? pulled(pull.handle, pull, boxes.length) : null;
  const count =
    pull?.handle.kind === "line"
      ? { ...pull.handle, by: Math.round(pull.dx / pull.handle.unit) }
      : null;
  const end = () => {
    if (pull && range && pull.handle.kind === "span" && pull.now !== pull.from)
      onMove?.({ label: pull.handle.section.label, span: pull.handle.span, ...range });
    if (count && count.by !== 0) onShift?.({ page: count.page, line: count.line, by: count.by });
    setPull(null);
  };
  return { take, move, end, range, count };
}

/** The bars a section would have. */
function pulled(
  { section, span, edge }: SpanHandle,
  { grip, now }: Pull,
  last: number,
): Range | null {
  const was = section.spans[span];
  if (!was) return null;
  if (edge === "from") return { from: Math.min(now, was.to), to: was.to };
  if (edge === "to") return { from: was.from, to: Math.max(now, was.from) };
  const size = was.to - was.from;
  const from = Math.min(Math.max(now - grip, 1), last - size);
  return { from, to: from + size };
}

type Props = {
  boxes: Box[];
  sections: SectionSpans[];
  lines: boolean;
  pulled: (LineHandle & { by: number }) | null;
  onTake: (handle: Handle, event: PointerEvent) => void;
};

/** The places one can take hold of; for the pointer only, since keys and text
 * do the same. */
export function Handles({ boxes, sections, lines, pulled, onTake }: Props) {
  return (
    <g aria-hidden="true">
      {sections.flatMap((section) =>
        section.spans.map((span, at) => (
          <Band
            key={`${section.label}/${span.text}`}
            boxes={boxes}
            section={section}
            at={at}
            onTake={onTake}
          />
        )),
      )}
      {lines &&
        boxes
          .filter((box) => box.lineEnd)
          .map((box) => (
            <LineEnd key={`${box.page}/${box.line}`} box={box} pulled={pulled} onTake={onTake} />
          ))}
    </g>
  );
}

function Band({
  boxes,
  section,
  at,
  onTake,
}: {
  boxes: Box[];
  section: SectionSpans;
  at: number;
  onTake: Props["onTake"];
}) {
  const span = section.spans[at];
  const held = boxes.filter(
    (box) => span && box.bar.index >= span.from && box.bar.index <= span.to,
  );
  const grip = (edge: SpanHandle["edge"]): SpanHandle => ({
    kind: "span",
    section,
    span: at,
    edge,
  });
  return (
    <>
      {held.map((box) => {
        const first = box === held[0];
        const last = box === held[held.length - 1];
        return (
          <g key={box.bar.index} data-band={section.label}>
            <Hold
              x={box.x}
              y={box.y + box.height}
              width={box.width}
              cursor="grab"
              onTake={(event) => onTake(grip("both"), event)}
            />
            {first && (
              <Hold
                edge="from"
                x={box.x - 4}
                y={box.y + box.height}
                width={12}
                cursor="ew-resize"
                onTake={(event) => onTake(grip("from"), event)}
              />
            )}
            {last && (
              <Hold
                edge="to"
                x={box.x + box.width - 8}
                y={box.y + box.height}
                width={12}
                cursor="ew-resize"
                onTake={(event) => onTake(grip("to"), event)}
              />
            )}
          </g>
        );
      })}
    </>
  );
}

type HoldProps = {
  x: number;
  y: number;
  width: number;
  cursor: string;
  edge?: string;
  onTake: (event: PointerEvent) => void;
};

function Hold({ x, y, width, cursor, edge, onTake }: HoldProps) {
  return (
    <rect
      x={x}
      y={y + 1}
      width={width}
      height={17}
      fill="transparent"
      data-edge={edge}
      style={{ cursor }}
      onPointerDown={onTake}
    />
  );
}

function LineEnd({
  box,
  pulled,
  onTake,
}: {
  box: Box;
  pulled: Props["pulled"];
  onTake: Props["onTake"];
}) {
  const mine = pulled?.page === box.page && pulled.line === box.line ? pulled : null;
  const x = box.x + box.width + (mine ? mine.by * box.width : 0);
  return (
    <>
      {mine && mine.by !== 0 && (
        <path
          d={`M${x} ${box.y - 6}V${box.y + box.height + 6}`}
          stroke={colour("brass")}
          strokeWidth="3"
        />
      )}
      <rect
        x={box.x + box.width - 5}
        y={box.y}
        width={10}
        height={box.height}
        fill="transparent"
        data-line-end={`${box.page}/${box.line}`}
        style={{ cursor: "col-resize" }}
        onPointerDown={(event) =>
          onTake({ kind: "line", page: box.page, line: box.line, unit: box.width }, event)
        }
      />
    </>
  );
}
