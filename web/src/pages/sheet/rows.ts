import type { Schemas } from "../../api/client";
import { type Day, type Item, keyOf } from "./useTicks";

export type Rows = Schemas["Sheet"]["rows"];
/** A row of the week as it is on one day; a step of a week without rows is one by itself. */
export type DayRow = { key: string; items: Item[]; row: Rows[number] | undefined };

export function rowsOf(day: Day, rows: Rows): DayRow[] {
  const found: DayRow[] = [];
  for (const item of day.items) {
    const row = rows.find((one) => one.id === item.row);
    const key = row?.id ?? keyOf(item);
    const known = found.find((one) => one.key === key);
    if (known) known.items.push(item);
    else found.push({ key, items: [item], row });
  }
  return found;
}
