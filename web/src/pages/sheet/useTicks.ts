import { useState } from "react";
import { newKey, type Schemas } from "../../api/client";
import { type Mark, useMarks } from "../../api/queries";

type Sheet = Schemas["Sheet"];
export type Item = Schemas["SheetItem"];

/** Taps on the sheet: shown at once, kept until the server has them, and taken
 * back the same way. */
export function useTicks(loaded: Sheet, token: string) {
  const queue = useMarks(token);
  const sheet = queue.waiting.reduce(tapped, loaded);
  const today = sheet.days.find((day) => day.date === sheet.today);
  const [made, setMade] = useState<Mark[]>([]);

  const send = (item: Item, kind: "repetition" | "struggle") => {
    const mark: Mark = {
      key: newKey(),
      kind,
      assignment_id: item.assignment_id,
      step_id: item.step_id,
      day: sheet.today,
      asked: item.repetitions,
      tapped_at: new Date().toISOString(),
    };
    setMade([...made, mark]);
    queue.push(mark);
  };
  // After a reload, the newest mark of today can still be taken back.
  const stored = today?.items.findLast((one) => one.last_mark);
  const last: Mark | undefined =
    made[made.length - 1] ??
    (stored?.last_mark
      ? {
          key: stored.last_mark,
          kind: "repetition",
          assignment_id: stored.assignment_id,
          step_id: stored.step_id,
          day: sheet.today,
        }
      : undefined);
  const undo = () => {
    if (!last) return;
    setMade(made.slice(0, -1));
    queue.push({ ...last, key: newKey(), kind: "undo", undoes: last.key, tapped_at: new Date().toISOString() });
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

/** The sheet with one mark that has not arrived yet. One whose answer was lost is
 * counted in the sheet already. */
function tapped(sheet: Sheet, mark: Mark, _at: number, all: Mark[]): Sheet {
  const kind = mark.kind === "undo" ? (all.find((one) => one.key === mark.undoes)?.kind ?? "repetition") : mark.kind;
  const by = mark.kind === "undo" ? -1 : 1;
  const change = (item: Item): Item =>
    item.assignment_id !== mark.assignment_id || item.step_id !== mark.step_id || item.keys.includes(mark.key)
      ? item
      : kind === "struggle"
        ? { ...item, struggle: by > 0 }
        : { ...item, done: Math.max(0, item.done + by) };
  return {
    ...sheet,
    days: sheet.days.map((day) => (day.date === mark.day ? { ...day, items: day.items.map(change) } : day)),
  };
}
