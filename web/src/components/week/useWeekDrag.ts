import { type PointerEvent, useRef, useState } from "react";
import type { Chosen, WeekOverrides } from "./useWeekOverrides";

// Pixels a press may wander before it is a drag.
const STILL = 6;

/** Drags an item from day to day. */
export function useWeekDrag(drawn: WeekOverrides) {
  const from = useRef<{ at: Chosen; x: number; y: number } | null>(null);
  const [item, setItem] = useState<Chosen | null>(null);
  const [over, setOver] = useState<string | null>(null);

  const stop = () => {
    from.current = null;
    setItem(null);
    setOver(null);
  };

  const handlers = {
    onPointerDown: (event: PointerEvent) => {
      const found = (event.target as Element).closest<HTMLElement>("[data-item]");
      if (!found || event.button !== 0 || drawn.fixed) return;
      from.current = {
        at: { id: found.dataset.item ?? "", date: found.dataset.date ?? "" },
        x: event.clientX,
        y: event.clientY,
      };
    },
    onPointerMove: (event: PointerEvent) => {
      const start = from.current;
      if (!start || Math.hypot(event.clientX - start.x, event.clientY - start.y) < STILL) return;
      setItem(start.at);
      setOver(dayAt(event) ?? null);
    },
    onPointerUp: (event: PointerEvent) => {
      if (item) drawn.move(item, dayAt(event));
      stop();
    },
    onPointerCancel: stop,
    onPointerLeave: stop,
  };
  return { item, over, handlers };
}

const dayAt = (event: PointerEvent) =>
  document.elementFromPoint(event.clientX, event.clientY)?.closest<HTMLElement>("[data-day]")
    ?.dataset.day;
