import type { Schemas } from "./client";

/** A sheet with what the server counts of one step on one day now. */
export function withTapped(sheet: Schemas["Sheet"], tapped: Schemas["Tapped"]): Schemas["Sheet"] {
  const { assignment_id, step_id, day, ...counted } = tapped;
  const change = (item: Schemas["SheetItem"]) =>
    item.assignment_id === assignment_id && item.step_id === step_id ? { ...item, ...counted } : item;
  return {
    ...sheet,
    days: sheet.days.map((one) => (one.date === day ? { ...one, items: one.items.map(change) } : one)),
  };
}
