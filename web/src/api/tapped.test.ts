import { expect, test } from "vitest";
import type { Schemas } from "./client";
import { withTapped } from "./tapped";

const item = (assignment_id: number, step_id: string, done = 0) =>
  ({ assignment_id, step_id, done }) as unknown as Schemas["SheetItem"];
const sheet = {
  days: [
    {
      date: "2027-01-03",
      items: [item(1, "a"), item(2, "a"), item(1, "b")],
      warm_ups: [{ id: "a", done: 0 }],
      extra_work: [{ id: "work 1", done: 0 }],
    },
    { date: "2027-01-04", items: [item(1, "a")], warm_ups: [{ id: "a", done: 0 }], extra_work: [] },
  ],
} as unknown as Schemas["Sheet"];
const tapped = {
  assignment_id: 1,
  step_id: "a",
  day: "2027-01-03",
  done: 2,
} as unknown as Schemas["Tapped"];

test("a tap changes its own step, of its own piece, on its own day", () => {
  const done = withTapped(sheet, tapped).days.map((day) =>
    day.items.map((one) => (one as unknown as { done: number }).done),
  );
  expect(done).toEqual([[2, 0, 0], [0]]);
});

test("the sheet before is left as it was, so that it can be shown again", () => {
  const before = structuredClone(sheet);
  withTapped(sheet, tapped);
  expect(sheet).toEqual(before);
});

test("a tap of a day that is not on the sheet changes nothing", () => {
  expect(withTapped(sheet, { ...tapped, day: "2026-12-31" })).toEqual(sheet);
});

test("what is no step is ticked by its own name, and no step of that name", () => {
  const shown = withTapped(sheet, { ...tapped, assignment_id: null, done: 1 });
  expect(shown.days.map((day) => day.warm_ups.map((one) => one.done))).toEqual([[1], [0]]);
  expect(shown.days[0]?.extra_work.map((one) => one.done)).toEqual([0]);
  expect(shown.days[0]?.items).toEqual(sheet.days[0]?.items);
});
