import { type KeyboardEvent, type RefObject, useEffect, useRef } from "react";
import { t } from "../../words";
import type { WeekOverrides } from "./useWeekOverrides";

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
  const follow = useRef(false);
  const { chosen } = drawn;

  // An item that was moved keeps the focus, on its new day.
  useEffect(() => {
    if (!follow.current || !chosen || drawn.busy) return;
    const found = items(place.current).find(
      (one) => one.dataset.item === chosen.id && one.dataset.date === chosen.date,
    );
    if (found && document.activeElement !== found) found.focus();
    if (found) follow.current = false;
  });

  return (event: KeyboardEvent) => {
    const target = event.target as HTMLElement;
    if (event.ctrlKey || event.metaKey || event.altKey || target.matches("input, select, textarea")) return;
    const at = target.dataset.item ? { id: target.dataset.item, date: target.dataset.date ?? "" } : null;
    const act = at && action(event, at, drawn, place.current);
    const undo = event.key === "u" && drawn.canUndo ? drawn.undo : null;
    if (!act && !undo) return;
    event.preventDefault();
    event.stopPropagation();
    follow.current = event.key !== "Delete" && !event.key.startsWith("Arrow") ? true : event.shiftKey;
    (act ?? undo)?.();
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

const items = (place: HTMLDivElement | null) => [...(place?.querySelectorAll<HTMLElement>("[data-item]") ?? [])];

/** Down and up in the day, or sideways to the same height of another day. */
function step(place: HTMLDivElement | null, at: { id: string; date: string }, days: number, rows: number) {
  const all = items(place);
  const dates = [...new Set(all.map((one) => one.dataset.date))];
  const own = all.filter((one) => one.dataset.date === at.date);
  const row = own.findIndex((one) => one.dataset.item === at.id);
  const column = days === 0 ? own : all.filter((one) => one.dataset.date === dates[dates.indexOf(at.date) + days]);
  column[Math.max(0, Math.min(row + rows, column.length - 1))]?.focus();
}
