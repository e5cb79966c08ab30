import { useRef, useState } from "react";
import { newKey } from "../../api/client";
import { useLessonQueue } from "../../api/queries";
import {
  type Counted,
  counted,
  type Heard,
  heardAs,
  keyOf,
  type Lesson,
  type LessonStep,
  type Result,
} from "./results";

// Taps further apart than this begin anew, in milliseconds.
const PAUSE = 2500;

/** What is said of each step at a lesson: results, what was counted beside them,
 * and ticks of a paper chart. All of it waits in a queue until the server has it. */
export function useResults(lesson: Lesson) {
  const queue = useLessonQueue(lesson.student.id);
  const [drafts, setDrafts] = useState<Record<string, Counted>>({});
  const [at, setAt] = useState(0);
  const taps = useRef<number[]>([]);
  // The order stays as it was when the lesson was opened, whatever is heard.
  const [order] = useState(() => lesson.steps.map(keyOf));
  const placeOf = (one: LessonStep) =>
    order.includes(keyOf(one)) ? order.indexOf(keyOf(one)) : order.length;
  const sorted = [...lesson.steps].sort((one, other) => placeOf(one) - placeOf(other));
  const [stages, setStages] = useState(false);
  const steps = sorted.map((one) => {
    const last = queue.waiting.findLast(
      (item) => item.hear && `${item.hear.assignment_id}/${item.hear.step_id}` === keyOf(one),
    );
    return last?.hear ? { ...one, result: last.hear.result } : one;
  });
  const rows = heardAs(steps, stages);
  const current = rows[Math.min(at, rows.length - 1)];

  const draftOf = (one: LessonStep) => drafts[keyOf(one)] ?? counted(one);
  const count = (one: LessonStep, what: Partial<Counted>) =>
    setDrafts((all) => ({
      ...all,
      [keyOf(one)]: { ...(all[keyOf(one)] ?? counted(one)), ...what },
    }));

  // One result holds for all sections of a row.
  const say = (one: Heard, result: Result) => {
    sayOf(one, result);
    for (const other of one.with) sayOf(other, result);
  };

  const sayOf = (one: LessonStep, result: Result) => {
    const { stumbles, tempo, cause, bar, note } = draftOf(one);
    const touched = keyOf(one) in drafts || one.details?.stumbles != null;
    const key = newKey();
    queue.push({
      key,
      hear: {
        assignment_id: one.assignment_id,
        step_id: one.id,
        result,
        key,
        stumbles: touched ? stumbles : undefined,
        tempo: tempo ?? undefined,
        cause: cause || undefined,
        bar: bar ?? undefined,
        note: note || undefined,
      },
    });
  };

  const tick = (one: LessonStep, days: string[], done: boolean) => {
    const key = newKey();
    if (days.length)
      queue.push({
        key,
        tick: { assignment_id: one.assignment_id, step_id: one.id, days, done, key },
      });
  };

  /** Four taps and more make a tempo. */
  const tap = (one: LessonStep) => {
    const now = performance.now();
    const last = taps.current.at(-1);
    taps.current =
      last !== undefined && now - last < PAUSE ? [...taps.current, now].slice(-9) : [now];
    const span = now - (taps.current[0] ?? now);
    if (taps.current.length > 2)
      count(one, { tempo: Math.round((60_000 * (taps.current.length - 1)) / span) });
  };

  return {
    student: lesson.student.id,
    rows,
    stages,
    showStages: (all: boolean) => {
      setStages(all);
      setAt(0);
    },
    /** Whether there is more than rows to show. */
    more: lesson.steps.length > rows.length || stages,
    at: Math.min(at, rows.length - 1),
    setAt,
    current,
    draftOf,
    count,
    say,
    tick,
    tap,
    queue,
  };
}

export type Hearing = ReturnType<typeof useResults>;

/** Planned days that are not full yet, for one stroke over the row. */
export const unticked = (one: LessonStep) =>
  one.days.filter((day) => day.planned && day.repetitions < day.of).map((day) => day.date);
