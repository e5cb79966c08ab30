import { expect, test } from "vitest";
import { after, type Sitting, turnsOf } from "./turns";
import type { Item } from "./useTicks";

const item = (step_id: string, more: Partial<Item> = {}) =>
  ({
    assignment_id: 1,
    step_id,
    repetitions: 2,
    done: 0,
    score: true,
    kind: "step",
    tempos: [],
    ...more,
  }) as Item;
const begun = (items: Item[]): Sitting => ({
  turns: turnsOf(items),
  at: 0,
  part: "name",
  paused: false,
});
const parts = (start: Sitting) => {
  const seen: string[] = [];
  for (let now = start; now.turns[now.at]; now = after(now, { kind: "end" }))
    seen.push(`${now.turns[now.at]?.item.step_id}${now.turns[now.at]?.round} ${now.part}`);
  return seen;
};

test("a step is named once, and each round is heard, then played, in the order of the day", () => {
  expect(parts(begun([item("a"), item("b", { repetitions: 1 })]))).toEqual([
    "a1 name",
    "a1 listen",
    "a1 play",
    "a2 listen",
    "a2 play",
    "b1 name",
    "b1 listen",
    "b1 play",
  ]);
});

test("a page without notes is counted and played, never listened to", () => {
  expect(parts(begun([item("a", { score: false })]))).toEqual(["a1 name", "a1 play", "a2 play"]);
});

test("what is done, what rests and what is more than needed is passed over, and rounds go on where they were", () => {
  const items = [
    item("done", { done: 2 }),
    item("rests", { set_aside: true }),
    item("hurts", { hurts: true }),
    item("more", { kind: "more" }),
    item("begun", { done: 1, score: false }),
  ];
  expect(parts(begun(items))).toEqual(["begun2 name", "begun2 play"]);
});

test("a pause stays where it is; a skip goes to the next step, from a pause too", () => {
  const now = after(begun([item("a"), item("b")]), { kind: "end" });
  const paused = after(now, { kind: "pause" });
  expect(paused).toEqual({ ...now, paused: true });
  expect(after(paused, { kind: "pause" })).toEqual(now);
  expect(after(paused, { kind: "skip" })).toMatchObject({ at: 2, part: "name", paused: false });
  expect(after(after(now, { kind: "skip" }), { kind: "skip" }).turns[4]).toBeUndefined();
});

test("a step that climbs goes slow to fast, and on from where it was", () => {
  const ladder = item("tempo", { repetitions: 6, done: 2, tempos: [60, 60, 60, 63, 63, 63] });
  expect(turnsOf([ladder, item("plain", { repetitions: 1 })]).map(({ tempo }) => tempo)).toEqual([
    60,
    63,
    63,
    63,
    undefined,
  ]);
});
