import type { Schemas } from "./client";

type Counted = { done: number; last_mark: string | null; keys: string[] };

/** A sheet with what the server counts of one step, or of what is no step, on one day now. */
export function withTapped(sheet: Schemas["Sheet"], tapped: Schemas["Tapped"]): Schemas["Sheet"] {
  const { assignment_id, step_id, day, ...counted } = tapped;
  const { done, last_mark, keys } = counted;
  const change = (item: Schemas["SheetItem"]) =>
    item.assignment_id === assignment_id && item.step_id === step_id
      ? { ...item, ...counted }
      : item;
  const once = <One extends Counted & { id: string }>(one: One): One =>
    assignment_id === null && one.id === step_id ? { ...one, done, last_mark, keys } : one;
  return {
    ...sheet,
    days: sheet.days.map((one) =>
      one.date === day
        ? {
            ...one,
            items: one.items.map(change),
            warm_ups: one.warm_ups.map(once),
            extra_work: one.extra_work.map(once),
          }
        : one,
    ),
  };
}
