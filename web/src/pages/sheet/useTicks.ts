import { useState } from "react";
import { newKey, type Schemas } from "../../api/client";
import { type Mark, useMarks } from "../../api/queries";

type Sheet = Schemas["Sheet"];
export type Day = Sheet["days"][number];
export type Item = Schemas["SheetItem"];
/** What is no step and is done once: what begins the day, and extra work. */
export type Once = Day["warm_ups"][number] | Day["extra_work"][number];
/** What a tap is of. */
export type Thing = { assignment_id: number | null; step_id: string; repetitions?: number };

export const thingOf = (once: Once): Thing => ({ assignment_id: null, step_id: once.id });
export const keyOf = (thing: Thing) => `${thing.assignment_id}/${thing.step_id}`;
/** What rests, as something hurts there. */
export const rests = (item: Item) => item.hurts || item.set_aside;
export const isDone = (item: Item) => item.done >= item.repetitions;

/** Taps on the sheet: shown at once, kept until the server has them, and taken
 * back the same way. */
export function useTicks(loaded: Sheet, token: string) {
  const queue = useMarks(token);
  const sheet = queue.waiting.reduce(tapped, loaded);
  const today = sheet.days.find((day) => day.date === sheet.today);
  const [made, setMade] = useState<Mark[]>([]);

  const send = (thing: Thing, kind: "repetition" | "struggle" | "hurts", day = sheet.today) => {
    const mark: Mark = {
      key: newKey(),
      kind,
      assignment_id: thing.assignment_id,
      step_id: thing.step_id,
      day,
      ...(thing.repetitions && { asked: thing.repetitions }),
      tapped_at: new Date().toISOString(),
    };
    setMade((before) => [...before, mark]);
    queue.push(mark);
  };
  // After a reload, the newest mark of today can still be taken back.
  const last = made[made.length - 1] ?? (today && stored(today));
  const undo = () => {
    if (!last) return;
    setMade(made.slice(0, -1));
    queue.push({
      ...last,
      key: newKey(),
      kind: "undo",
      undoes: last.key,
      tapped_at: new Date().toISOString(),
    });
  };
  return {
    sheet,
    today,
    send,
    undo: last ? undo : null,
    waiting: queue.waiting,
    trouble: queue.offline ? null : queue.trouble,
    offline: queue.offline,
  };
}

export type Ticks = ReturnType<typeof useTicks>;

/** The newest mark of a day that the server knows. */
function stored(day: Day): Mark | undefined {
  const found = [
    ...onces(day).map((one) => ({ ...thingOf(one), last_mark: one.last_mark })),
    ...day.items,
  ].findLast((one) => one.last_mark);
  if (!found?.last_mark) return;
  const { assignment_id, step_id, last_mark } = found;
  return { key: last_mark, kind: "repetition", assignment_id, step_id, day: day.date };
}

export const onces = (day: Day): Once[] => [...day.warm_ups, ...day.extra_work];

/** The sheet with one mark that has not arrived yet. One whose answer was lost is
 * counted in the sheet already. */
function tapped(sheet: Sheet, mark: Mark, _at: number, all: Mark[]): Sheet {
  const kind =
    mark.kind === "undo"
      ? (all.find((one) => one.key === mark.undoes)?.kind ?? "repetition")
      : mark.kind;
  const by = mark.kind === "undo" ? -1 : 1;
  const counted = <One extends { done: number }>(one: One) => ({
    ...one,
    done: Math.max(0, one.done + by),
  });
  const change = (item: Item): Item => {
    if (keyOf(item) !== keyOf(mark) || item.keys.includes(mark.key)) return item;
    return kind === "repetition" ? counted(item) : { ...item, [kind]: by > 0 };
  };
  const once = <One extends Once>(one: One): One =>
    keyOf(thingOf(one)) !== keyOf(mark) || one.keys.includes(mark.key) ? one : counted(one);
  return {
    ...sheet,
    days: sheet.days.map((day) =>
      day.date === mark.day
        ? {
            ...day,
            items: day.items.map(change),
            warm_ups: day.warm_ups.map(once),
            extra_work: day.extra_work.map(once),
          }
        : day,
    ),
  };
}
