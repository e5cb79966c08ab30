import { type KeyboardEvent, type RefObject, useEffect, useRef } from "react";
import { t } from "../../words";
import type { Chosen, WeekOverrides } from "./useWeekOverrides";

/** For the list of keys. */
export const weekKeys = (): [string, string][] => [
  [t("components.week.keys.arrows"), t("components.week.keys.from_item_to_item")],
  ["p", t("components.week.keys.keep_or_give_back")],
  [t("components.week.keys.shift_arrows"), t("components.week.keys.move")],
  [t("components.week.keys.delete"), t("components.week.keys.take_out")],
  ["+ −", t("components.week.keys.more_or_fewer")],
  ["a", t("components.week.keys.add")],
  ["u", t("components.week.keys.undo")],
];

/** Everything the mouse can do with a week, by keys on the item that has focus. */
export function useWeekKeys(place: RefObject<HTMLDivElement | null>, drawn: WeekOverrides) {
  // Finds what has the focus once the week is drawn anew.
  const follow = useRef<Follow | null>(null);
  // Taken out, and shown until the answer comes: keys on it mean nothing any more.
  const gone = useRef<HTMLElement | null>(null);
  const { chosen } = drawn;

  useEffect(() => {
    if (drawn.busy) return;
    gone.current = null;
    const found = follow.current?.(items(place.current), chosen);
    if (!found) return;
    follow.current = null;
    if (document.activeElement !== found) found.focus();
  });

  // What is on its way to another day is there already for the next key.
  const standing = (id: string, date: string) =>
    follow.current && chosen?.id === id ? chosen : { id, date };

  return (event: KeyboardEvent) => {
    const target = event.target as HTMLElement;
    if (event.ctrlKey || event.metaKey || event.altKey || target.matches("input, select, textarea"))
      return;
    const at =
      target.dataset.item && target !== gone.current
        ? standing(target.dataset.item, target.dataset.date ?? "")
        : null;
    const act = at && action(event, at, drawn, place.current);
    const undo = event.key === "u" && drawn.canUndo ? drawn.undo : null;
    if (!act && !undo) return;
    event.preventDefault();
    event.stopPropagation();
    if (at && event.key === "Delete") {
      follow.current = after(items(place.current), at);
      gone.current = target;
    } else if (event.shiftKey || !event.key.startsWith("Arrow")) {
      follow.current = itself(target.dataset.item);
    }
    (act ?? undo)?.();
  };
}

type Follow = (all: HTMLElement[], chosen: Chosen | null) => HTMLElement | undefined;

/** The item where it is chosen, or wherever it stands again. */
function itself(id: string | undefined): Follow {
  return (all, chosen) => {
    const own = all.filter((one) => one.dataset.item === id);
    return own.find((one) => one.dataset.date === chosen?.date) ?? own[0];
  };
}

/** What takes the place of the one that goes; the last of the day where nothing does. */
function after(all: HTMLElement[], gone: Chosen): Follow {
  const of = (items: HTMLElement[]) => items.filter((one) => one.dataset.date === gone.date);
  const row = of(all).findIndex((one) => one.dataset.item === gone.id);
  return (now) => {
    const day = of(now);
    if (day.some((one) => one.dataset.item === gone.id)) return undefined;
    return day[Math.min(row, day.length - 1)] ?? now[0];
  };
}

function action(
  event: KeyboardEvent,
  at: { id: string; date: string },
  drawn: WeekOverrides,
  place: HTMLDivElement | null,
) {
  const move = event.key.startsWith("Arrow") && !event.shiftKey;
  if (!move && !drawn.open(at)) return undefined;
  const sideways = { ArrowLeft: -1, ArrowRight: 1 }[event.key] as 1 | -1 | undefined;
  if (event.shiftKey && sideways) return () => drawn.move(at, drawn.shift(at, sideways));
  if (event.shiftKey && event.key === "Delete") return () => drawn.leaveOut(at.id);
  const add = () => place?.querySelector<HTMLElement>(`[data-add="${at.date}"]`)?.click();
  const acts: [string, () => void][] = [
    ["p", () => drawn.pin(at)],
    ["Delete", () => drawn.drop(at)],
    ["+", () => drawn.resize(at, 1)],
    ["-", () => drawn.resize(at, -1)],
    ["a", add],
    ["ArrowDown", () => step(place, at, 0, 1)],
    ["ArrowUp", () => step(place, at, 0, -1)],
    ["ArrowRight", () => step(place, at, 1, 0)],
    ["ArrowLeft", () => step(place, at, -1, 0)],
  ];
  return acts.find(([key]) => key === event.key)?.[1];
}

const items = (place: HTMLDivElement | null) => [
  ...(place?.querySelectorAll<HTMLElement>("[data-item]") ?? []),
];

/** Down and up in the day, or sideways to the same height of another day. */
function step(
  place: HTMLDivElement | null,
  at: { id: string; date: string },
  days: number,
  rows: number,
) {
  const all = items(place);
  const dates = [...new Set(all.map((one) => one.dataset.date))].sort();
  const own = all.filter((one) => one.dataset.date === at.date);
  const row = own.findIndex((one) => one.dataset.item === at.id);
  const column =
    days === 0
      ? own
      : all.filter((one) => one.dataset.date === dates[dates.indexOf(at.date) + days]);
  column[Math.max(0, Math.min(row + rows, column.length - 1))]?.focus();
}
