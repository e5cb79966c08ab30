import type { Schemas } from "../../api/client";
import { useAddress } from "../../components/useAddress";

type Row = Schemas["StudioRow"];

/** How the students can be put in order. */
export const ORDERS = ["lesson", "name", "ready", "practice", "attention"] as const;
export type Order = (typeof ORDERS)[number];

// Later than any date.
const NEVER = "9999-12-31";
const late = (row: Row) => row.outlooks.some((one) => one.late);
const ready = (row: Row) => row.outlooks.map((one) => one.cautious ?? NEVER).sort()[0] ?? NEVER;
const share = (row: Row) => (row.practised.of ? row.practised.done / row.practised.of : 2);

const COMPARED: Record<Order, (a: Row, b: Row) => number> = {
  lesson: () => 0, // as the server gives them
  name: (a, b) => a.name.localeCompare(b.name),
  ready: (a, b) => Number(late(b)) - Number(late(a)) || ready(a).localeCompare(ready(b)),
  practice: (a, b) => share(a) - share(b),
  attention: (a, b) => b.concerns.length - a.concerns.length,
};

/** Which students are shown and in what order; kept in the address, so that going
 * back from a student shows the same. */
export function useView(all: Row[]) {
  const { of, set } = useAddress();
  const order = ORDERS.find((one) => one === of("by")) ?? "lesson";
  const wanted = of("find").trim().toLowerCase();
  const rows = all
    .filter(
      (row) =>
        (!of("teacher") || row.teacher === of("teacher")) &&
        (!of("class") || row.class_name === of("class")) &&
        (!of("day") || row.lesson_weekday === Number(of("day"))) &&
        (of("only") !== "attention" || row.concerns.length > 0) &&
        (of("only") !== "late" || late(row)) &&
        (!wanted || row.name.toLowerCase().includes(wanted)),
    )
    .sort(COMPARED[order]);
  return { rows, order, of, set };
}

export type View = ReturnType<typeof useView>;
